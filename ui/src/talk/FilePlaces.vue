<script setup lang="ts">
// Remarks on pages of a document or moments of a video, on its proof; a new one is put by number or by the slider.
import { Button, InputNumber, Slider } from 'ant-design-vue'
import { ref } from 'vue'
import { clock, type FilePin } from './pins'

const props = defineProps<{
  places: FilePin[]
  pages?: number
  lasts?: number
  active?: string
  pointing: boolean
}>()
const emit = defineEmits<{ place: [place: { page: number } | { ms: number }]; open: [id: string] }>()
const page = ref(1)
const ms = ref(0)
const put = () => emit('place', props.pages ? { page: page.value } : { ms: ms.value })
</script>

<template>
  <div v-if="places.length > 0 || pointing" class="files">
    <button
      v-for="one in places"
      :key="one.id"
      type="button"
      class="at"
      :class="[one.room, { active: active === one.id }]"
      :aria-label="`Remark ${one.number}, ${one.words}`"
      @click="emit('open', one.id)"
    >
      <b>{{ one.number }}</b> {{ one.words }}
    </button>
    <form v-if="pointing" @submit.prevent="put">
      <template v-if="pages">
        <label class="field"
          >page
          <InputNumber
            v-model:value="page"
            :min="1"
            :max="pages"
            :precision="0"
            size="small"
            aria-label="Page" /></label
        ><span class="quiet of">of {{ pages }}</span>
      </template>
      <template v-else>
        <Slider
          v-model:value="ms"
          class="slide"
          :min="0"
          :max="lasts"
          :step="100"
          :tip-formatter="(value?: number) => clock(value ?? 0)"
          :handle-style="{ borderColor: 'var(--ink)' }"
          aria-label="Moment of the video"
        />
        <span class="when">{{ clock(ms) }}</span>
      </template>
      <Button size="small" html-type="submit">{{ pages ? 'Point at this page' : 'Point at this moment' }}</Button>
    </form>
  </div>
</template>

<style scoped>
.files {
  position: absolute;
  inset: auto 0 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  justify-content: flex-end;
  padding: 6px 8px;
}
.at {
  padding: 0 8px 0 0;
  border: 0;
  border-radius: 12px;
  background: var(--sheet);
  color: var(--ink);
  font-size: 12px;
}
.at b {
  display: inline-block;
  min-width: 24px;
  line-height: 24px;
  border-radius: 12px;
  background: var(--ink);
  color: var(--sheet);
}
.client b {
  background: var(--client);
}
.active {
  outline: 2px solid var(--ink);
}
form {
  display: flex;
  flex: 1 0 100%;
  gap: 8px;
  align-items: center;
  padding: 4px 8px;
  background: var(--sheet);
}
.field {
  display: flex;
  gap: 6px;
  align-items: center;
}
.of {
  white-space: nowrap;
}
.slide {
  flex: 1;
  min-width: 80px;
}
.when {
  min-width: 44px;
  font-variant-numeric: tabular-nums;
}
</style>
