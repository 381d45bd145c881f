<script setup lang="ts">
// Links of the brand sheet, each with a title.
import { Button } from 'ant-design-vue'
import BrandLink from './BrandLink.vue'

defineProps<{ may: boolean }>()
const links = defineModel<{ title: string; address: string }[]>({ required: true })
</script>

<template>
  <ul class="rows">
    <template v-if="may">
      <BrandLink
        v-for="(_, index) in links"
        :key="index"
        v-model="links[index]!"
        :number="index + 1"
        @remove="links.splice(index, 1)"
      />
    </template>
    <template v-else>
      <li v-for="(one, index) in links" :key="index">
        <a :href="one.address" rel="noreferrer noopener" target="_blank">{{ one.title || one.address }}</a>
      </li>
    </template>
  </ul>
  <Button v-if="may" size="small" @click="links.push({ title: '', address: '' })">Add a link</Button>
  <p v-else-if="links.length === 0" class="quiet">No links yet.</p>
</template>

<style scoped>
.rows li {
  padding: 4px 0;
}
</style>
