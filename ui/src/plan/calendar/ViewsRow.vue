<script setup lang="ts">
// Views by a name: chosen, saved, removed.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, nextTick, ref } from 'vue'
import type { Schemas } from '@/api/client'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'
import type { Narrowing } from './filter'
import { useViews, type SavedView } from './views'
import type { View } from './place'

const props = defineProps<{
  workspace: string | undefined
  look: View
  narrowing: Narrowing
  /** whether this member may save for everybody at this client */
  mayShare?: Schemas['Can'][string]
}>()
const emit = defineEmits<{ choose: [view: SavedView] }>()
const { found, save, remove } = useViews(computed(() => props.workspace))
const views = computed(() => found.data.value?.views ?? [])
const same = (view: SavedView) =>
  view.look === props.look && JSON.stringify(sorted(view.narrowing)) === JSON.stringify(sorted(props.narrowing))
const sorted = (all: Narrowing) => Object.entries(all).sort()
const chosen = computed(() => views.value.find(same))
const removable = (view: SavedView) => !view.shared || !!props.mayShare?.ok

const root = ref<HTMLElement>()
const naming = ref(false)
const name = ref('')
const shared = ref(false)
const { busy, at, beside, run } = useProblem()
async function keep() {
  const done = await run(async () => {
    await save({ name: name.value, look: props.look, narrowing: props.narrowing }, shared.value)
    return true
  })
  if (!done) return
  naming.value = false
  await nextTick()
  root.value?.querySelector<HTMLElement>('[aria-pressed=true]')?.focus()
}
</script>

<template>
  <div ref="root" class="views" role="group" aria-label="Saved views">
    <span v-for="view in views" :key="view.id" class="view" :class="{ chosen: chosen?.id === view.id }">
      <button
        type="button"
        class="link-button"
        :aria-pressed="chosen?.id === view.id"
        :title="view.shared ? 'for everybody here' : 'mine'"
        @click="emit('choose', view)"
      >
        {{ view.name }} <span class="number">{{ view.count }}</span>
      </button>
      <button
        v-if="chosen?.id === view.id && removable(view)"
        type="button"
        class="link-button"
        :aria-label="`Remove the view ${view.name}`"
        @click="remove(view)"
      >
        Remove
      </button>
    </span>
    <Button v-if="!chosen && !naming" size="small" @click="naming = true">Save this view …</Button>
    <form v-if="naming" class="name" @submit.prevent="keep">
      <FormField id="view-name" label="Name" :wrong="at('name')">
        <Input id="view-name" v-model:value="name" :maxlength="LENGTHS.name" />
      </FormField>
      <Checkbox v-if="mayShare?.ok" v-model:checked="shared">for everybody here</Checkbox>
      <Button type="primary" html-type="submit" :loading="busy">Save</Button>
      <Button @click="naming = false">Cancel</Button>
      <span v-if="beside(['name'])" class="wrong" role="alert">{{ beside(['name']) }}</span>
    </form>
  </div>
</template>

<style scoped>
.views {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  min-height: 28px;
  margin-bottom: 10px;
}
.view {
  display: inline-flex;
  gap: 10px;
}
.chosen > :first-child {
  font-weight: 600;
}
.name {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
}
.name :deep(.field) {
  margin: 0;
}
</style>
