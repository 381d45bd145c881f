<script setup lang="ts">
// Says that a page which was asked for waits for the connection.
import { Button } from 'ant-design-vue'
import { onTheWay, setOut } from './on-the-way'

const stay = () => setOut('', location.pathname + location.search)
</script>

<template>
  <div class="on-the-way" role="status">
    <p v-if="onTheWay">
      “{{ onTheWay.title }}” is not loaded yet, and there is no connection. It opens when the connection is back.
      <Button size="small" @click="stay">Stay here</Button>
    </p>
  </div>
</template>

<style scoped>
.on-the-way p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  margin: 0;
  padding: 6px 16px;
  border-bottom: 1px solid var(--ink);
  background: var(--sheet);
}
</style>
