<script setup lang="ts">
// A mark that a fixture put on one of its days: made into its post, or left out this once.
import { Button, message } from 'ant-design-vue'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { sentence, type Schemas } from '@/api/client'
import { calendarDay, wallClock } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import { useFixtureActs } from './fixtures'
import type { Mark } from './pencil'

const props = defineProps<{ mark: Mark; mayWrite?: Schemas['Can'][string]; may?: Schemas['Can'][string] }>()
const emit = defineEmits<{ change: []; close: [] }>()
const router = useRouter()
const { skip, write } = useFixtureActs()
const busy = ref(false)
const fixture = () => props.mark.fixture_id!

async function make() {
  busy.value = true
  try {
    const { id } = await write(props.mark.workspace_id, fixture(), props.mark.day)
    await router.push({ name: 'post', params: { workspace: props.mark.workspace_id, post: id } })
  } catch (problem) {
    void message.error(sentence(problem), 8)
    emit('close')
  } finally {
    busy.value = false
  }
}
function leaveOut() {
  void skip(props.mark.workspace_id, fixture(), props.mark.day, props.mark.word)
  emit('close')
}
</script>

<template>
  <DialogBox :title="`${mark.word}, ${calendarDay(mark.day, { weekday: true })}`" :width="560" @close="emit('close')">
    <p>
      A fixture keeps this place on {{ mark.channel
      }}<template v-if="mark.clock"> at {{ wallClock(`${mark.day}T${mark.clock}`) }}</template
      ><template v-if="mark.label"> for “{{ mark.label }}”</template>.
      <b v-if="mark.due">Its post should be begun by now.</b>
    </p>
    <div class="acts">
      <ActButton type="primary" :may="mayWrite" :loading="busy" @click="make">Make the post</ActButton>
      <ActButton :may="may" @click="leaveOut">Leave it out this once</ActButton>
      <ActButton :may="may" @click="emit('change')">Change the fixture …</ActButton>
      <Button @click="emit('close')">Cancel</Button>
    </div>
  </DialogBox>
</template>

<style scoped>
.acts {
  margin-top: 14px;
}
</style>
