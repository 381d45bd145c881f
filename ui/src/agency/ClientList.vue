<script setup lang="ts">
// Clients, picked by typing: the focus is in the field, arrows move, Enter chooses, Esc leaves. Those chosen lately
// come first.
import { Input } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref } from 'vue'
import ClientLogo from '@/parts/ClientLogo.vue'
import type { Schemas } from '@/api/client'
import { counted } from '@/api/words'

export interface Entry {
  id?: string
  name: string
  waits?: number
}
const props = defineProps<{
  entries: Entry[]
  facts: Record<string, Schemas['MyClient']>
  label: string
  name: string
}>()
const emit = defineEmits<{ choose: [id: string | undefined]; leave: [] }>()

const typed = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const box = ref<HTMLElement>()
const found = computed(() =>
  props.entries.filter((one) => one.name.toLowerCase().includes(typed.value.trim().toLowerCase())),
)
// the focus goes back to what opened it
let came: HTMLElement | undefined
onMounted(() => {
  came = document.activeElement instanceof HTMLElement ? document.activeElement : undefined
  void nextTick(() => field.value?.focus())
})

function move(step: number) {
  at.value = (at.value + step + found.value.length) % Math.max(found.value.length, 1)
  void nextTick(() => document.getElementById(`${props.name}-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
function pick(index: number) {
  const one = found.value[index]
  if (one) emit('choose', one.id)
}
function left(event: FocusEvent) {
  if (!box.value?.contains(event.relatedTarget as Node | null)) emit('leave')
}
function back() {
  came?.focus()
  emit('leave')
}
</script>

<template>
  <div ref="box" class="list" @focusout="left">
    <Input
      ref="field"
      v-model:value="typed"
      role="combobox"
      :aria-label="label"
      :aria-controls="name"
      :aria-expanded="true"
      :aria-activedescendant="`${name}-${at}`"
      placeholder="Type a client’s name"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="pick(at)"
      @keydown.esc.stop.prevent="back"
      @input="at = 0"
    />
    <ul :id="name" role="listbox" aria-label="Clients">
      <li
        v-for="(one, index) in found"
        :id="`${name}-${index}`"
        :key="one.id ?? 'all'"
        role="option"
        :aria-selected="index === at"
        @mousedown.prevent="pick(index)"
      >
        <ClientLogo
          v-if="one.id && facts[one.id]"
          :id="one.id"
          :initials="facts[one.id]!.initials"
          :edge="facts[one.id]!.edge"
          :picture="facts[one.id]!.picture"
        />
        <span v-else class="all" aria-hidden="true" />
        <span class="name">{{ one.name }}</span>
        <span v-if="one.id && facts[one.id]?.archived" class="quiet">archived</span>
        <span v-else-if="one.id && facts[one.id]?.setup_step" class="quiet">in set-up</span>
        <b v-if="one.waits" class="waits">{{ counted(one.waits, 'waits', 'wait') }}</b>
      </li>
      <li v-if="found.length === 0" class="none" role="option" aria-selected="false">
        No client of yours has that in its name.
      </li>
    </ul>
    <slot />
  </div>
</template>

<style scoped>
.list {
  position: absolute;
  top: 34px;
  z-index: 6;
  width: min(320px, calc(100vw - 24px));
  background: var(--sheet);
  border: 1px solid var(--ink);
  box-shadow: 0 6px 20px rgb(22 25 28 / 18%);
}
input {
  width: 100%;
  height: 34px;
  padding: 0 10px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  font: inherit;
}
input:focus-visible {
  outline: 2px solid var(--ink);
  outline-offset: -2px;
}
ul {
  max-height: 380px;
  overflow: auto;
}
li {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 7px 10px;
  cursor: pointer;
}
li[aria-selected='true'] {
  background: var(--well);
  font-weight: 600;
}
.name {
  flex: 1;
}
.all {
  width: 22px;
  height: 12px;
  border-top: 2px solid var(--ink);
  border-bottom: 2px solid var(--ink);
}
.waits {
  background: var(--mark);
  padding: 1px 6px;
  font-weight: 600;
}
.none {
  color: var(--ink-2);
}
</style>
