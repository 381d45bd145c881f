<script setup lang="ts">
// Writing into a cell: Enter keeps it and goes down, Tab to the right, Esc leaves it as it was, and so does
// whoever goes elsewhere without a letter.
import { LENGTHS } from '@/api/lengths'
import { Input } from 'ant-design-vue'
import { nextTick, onMounted, ref } from 'vue'

const props = defineProps<{ word: string }>()
const emit = defineEmits<{ done: [word: string, way: 'down' | 'right' | undefined]; leave: [] }>()
const text = ref(props.word)
const field = ref<{ focus: (how: object) => void }>()
let over = false
onMounted(() => void nextTick(() => field.value?.focus({ cursor: 'all' })))

function done(way?: 'down' | 'right') {
  if (over) return
  over = true
  // what was typed a moment ago is still on its way through the library's field
  setTimeout(() => emit('done', text.value, way))
}
function leave() {
  over = true
  setTimeout(() => emit('leave'))
}
</script>

<template>
  <!-- a field that goes while it is changed is told of the change once more, when the library has let go of it -->
  <span class="cell-input" @change.capture.stop>
    <Input
      ref="field"
      v-model:value="text"
      size="small"
      :maxlength="LENGTHS.word"
      aria-label="A word on the mark"
      @keydown.enter.stop.prevent="done('down')"
      @keydown.tab.exact.stop.prevent="done('right')"
      @keydown.esc.stop="leave"
      @blur="text === word ? leave() : done()"
    />
  </span>
</template>
