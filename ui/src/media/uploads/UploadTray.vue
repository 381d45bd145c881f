<script setup lang="ts">
// Files on their way: how far each is, what stands in its way, stop and go on.
import { computed } from 'vue'
import { drop, goOn, share, stop, told, under, uploads, type Going } from './uploads'

const props = defineProps<{ workspace: string }>()
const mine = computed(() => uploads.filter((one) => one.workspace === props.workspace))
const WORDS: Record<Going['state'], string> = {
  waits: 'waits its turn',
  goes: 'goes up',
  stopped: 'stopped',
  'is being taken': 'is being looked at',
  there: 'is there',
  same: 'was there already',
  failed: 'did not come',
}
const arrived = (one: Going) => ['there', 'same'].includes(one.state)
function clear() {
  for (const one of mine.value.filter(arrived)) drop(one.key)
}
</script>

<template>
  <section v-if="mine.length > 0" class="tray" aria-label="Files on their way">
    <p class="head">
      <b role="status">{{ told(mine) }}</b>
      <button v-if="!under(mine) && mine.some(arrived)" type="button" class="link-button" @click="clear">
        Clear finished
      </button>
    </p>
    <ul>
      <li v-for="one in mine.filter((each) => !['there'].includes(each.state))" :key="one.key">
        <span class="name" dir="auto">{{ one.name }}</span>
        <span
          v-if="one.state === 'goes' || one.state === 'stopped'"
          class="progress"
          role="progressbar"
          :aria-valuenow="share(one)"
          :aria-label="`${one.name}, ${share(one)} percent`"
          ><span :style="{ width: `${share(one)}%` }"
        /></span>
        <span class="quiet">{{ WORDS[one.state] }}{{ one.state === 'goes' ? `, ${share(one)} %` : '' }}</span>
        <button
          v-if="one.state === 'goes' || one.state === 'waits'"
          type="button"
          class="link-button"
          :aria-label="`stop ${one.name}`"
          @click="stop(one.key)"
        >
          stop
        </button>
        <button
          v-if="one.state === 'stopped' || one.state === 'failed'"
          type="button"
          class="link-button"
          :aria-label="`go on with ${one.name}`"
          @click="goOn(one.key)"
        >
          go on
        </button>
        <button
          v-if="one.state !== 'is being taken'"
          type="button"
          class="link-button"
          :aria-label="`take ${one.name} out of the list`"
          @click="drop(one.key)"
        >
          take out
        </button>
        <span v-if="one.why" class="late why" role="alert">{{ one.why }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.tray {
  margin-bottom: 12px;
  padding: 8px 12px;
  background: var(--sheet);
  border-left: 3px solid var(--ink);
}
ul {
  max-height: 200px;
  overflow: auto;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  border-top: 1px solid var(--rule);
}
.name {
  flex: 1 1 160px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.progress {
  flex: 0 0 120px;
  height: 6px;
  background: var(--well);
}
.progress > span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.why {
  flex-basis: 100%;
  padding-bottom: 4px;
}
</style>
