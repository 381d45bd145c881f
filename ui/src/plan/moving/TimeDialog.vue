<script setup lang="ts">
// Another day and hour for a line, typed: what it would do is said before it is moved.
import { Button } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { titled } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import DayField from '@/parts/fields/DayField.vue'
import MoveNote from './MoveNote.vue'
import type { Moving } from './moving'

const props = defineProps<{ moving: Moving }>()
const emit = defineEmits<{ over: [place: string]; drop: []; leave: [] }>()
const day = ref(props.moving.held.at?.slice(0, 10) ?? props.moving.place.slice(0, 10))
const clock = ref(props.moving.held.at?.slice(11, 16) ?? '12:00')
watch([day, clock], () => day.value && clock.value && emit('over', `${day.value}T${clock.value}`))
</script>

<template>
  <DialogBox :title="`When “${titled(moving.held.subject)}” goes out`" :width="420" @close="emit('leave')">
    <form @submit.prevent="emit('drop')">
      <div class="when">
        <FormField id="line-day" label="Day"><DayField id="line-day" v-model="day" /></FormField>
        <FormField id="line-clock" label="Time"><ClockField id="line-clock" v-model="clock" label="Time" /></FormField>
      </div>
      <MoveNote :moving="moving" still />
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="!!moving.cost?.refused">Move it there</Button>
        <Button @click="emit('leave')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.when {
  display: flex;
  gap: 12px;
}
.acts {
  margin-top: 12px;
}
</style>
