<script setup lang="ts">
// The posts that hold a file: which of them take a newer one, what that ends, and which stay as they are.
import { Checkbox } from 'ant-design-vue'
import { brief } from '@/api/time'
import { titled } from '@/api/words'
import type { Cost } from '@/media/editing/edit'

const props = defineProps<{ posts: Cost[]; workspace: string; now: string }>()
const chosen = defineModel<string[]>({ required: true })
function turn(id: string) {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id]
}
const why = (one: Cost) => [one.why, ...one.costs].join(' ')
</script>

<template>
  <fieldset v-if="props.posts.length > 0">
    <legend>It is in these posts. Which of them take the newer one?</legend>
    <ul>
      <li v-for="one in props.posts" :key="one.id">
        <Checkbox :checked="chosen.includes(one.id)" :disabled="one.effect !== 'changes'" @change="turn(one.id)"
          ><span dir="auto">{{ titled(one.subject) }}</span>
          <span class="quiet">{{ one.at ? brief(one.at, now) : 'no time yet' }}</span></Checkbox
        >
        <p v-if="one.effect !== 'changes'" :class="one.effect">
          {{ why(one) }}
          <router-link v-if="one.effect === 'sealed'" :to="{ name: 'post', params: { workspace, post: one.id } }"
            >Go there</router-link
          >
        </p>
      </li>
    </ul>
  </fieldset>
  <p v-else class="quiet">No post holds it yet.</p>
</template>

<style scoped>
fieldset {
  margin: 0 0 10px;
  padding: 0;
  border: 0;
}
legend {
  padding-bottom: 4px;
  font-weight: 600;
}
ul {
  max-height: 200px;
  overflow: auto;
}
li {
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
li p {
  padding-left: 24px;
  color: var(--ink-2);
}
li p.sealed {
  color: var(--internal);
}
</style>
