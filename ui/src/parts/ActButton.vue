<script setup lang="ts">
// A button for one thing that somebody can do. Off, it keeps its place and its focus and says why, in sight, on
// hover, focus and tap. A key of its own brings the focus to it; a second press does it.
import { Button, Tooltip } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useKeys } from './keys'

defineOptions({ inheritAttrs: false })
const props = defineProps<{
  /** What the server says about it. */
  may?: { ok: boolean; why?: string }
  /** Why it is off, for any other reason. */
  off?: string | null | false
  /** The key that aims at it. */
  shortcut?: string
  /** It only opens a dialog or a form, which the key may do at once. */
  opens?: boolean
  /** Set among words, underlined, instead of as a box. */
  link?: boolean
}>()
const emit = defineEmits<{ click: [event: MouseEvent] }>()

const root = ref<HTMLElement | { $el: HTMLElement }>()
const why = computed(() =>
  props.may && !props.may.ok ? (props.may.why ?? 'You cannot do this here.') : props.off || undefined,
)

// the reason stands while it is pointed at or has the focus; Esc takes it away
const pointed = ref(false)
const focused = ref(false)
const told = computed(() => !!why.value && (pointed.value || focused.value))
const listens = {
  mouseenter: () => (pointed.value = true),
  mouseleave: () => (pointed.value = false),
  focus: () => (focused.value = true),
  blur: () => (focused.value = false),
  keydown: (event: KeyboardEvent) => event.key === 'Escape' && (pointed.value = focused.value = false),
}

function press(event: MouseEvent) {
  focused.value = true
  if (why.value) event.preventDefault()
  else emit('click', event)
}
function aim() {
  const found = root.value && '$el' in root.value ? root.value.$el : root.value
  if (document.activeElement === found || (props.opens && !why.value)) found?.click()
  else found?.focus()
}
if (props.shortcut) useKeys({ [props.shortcut]: aim })
</script>

<template>
  <Tooltip :title="why" :open="told" :trigger="[]">
    <button
      v-if="link"
      ref="root"
      type="button"
      class="link-button"
      :class="{ 'is-off': why }"
      :aria-disabled="!!why"
      v-bind="$attrs"
      v-on="listens"
      @click="press"
    >
      <slot />
    </button>
    <Button
      v-else
      ref="root"
      :class="{ 'is-off': why }"
      :aria-disabled="!!why"
      v-bind="$attrs"
      v-on="listens"
      @click="press"
      ><slot /> <kbd v-if="shortcut">{{ shortcut }}</kbd></Button
    >
  </Tooltip>
</template>

<style scoped>
kbd {
  font: 600 12px/1 var(--sans);
  border: 1px solid currentcolor;
  border-radius: 3px;
  padding: 1px 4px;
  margin-left: 6px;
}
</style>
