<template>
  <main class="nowhere">
    <h1>That is not here</h1>
    <p>
      The address leads nowhere, or to something that is not yours to see.
      <router-link to="/desk">Go to the Desk</router-link>
    </p>
  </main>
</template>

<style scoped>
.nowhere {
  padding: 40px 20px;
}
h1 {
  font-size: 20px;
}
</style>
