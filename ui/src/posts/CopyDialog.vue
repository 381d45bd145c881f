<script setup lang="ts">
// A post copied: for other times, to other channels, to another client that the person may write for.
import { Button, Checkbox, message } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { api, ok } from '@/api/client'
import { place } from '@/api/time'
import { useProblem } from '@/parts/problem'
import type { Sheet } from './sheet'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import WhenField from '@/parts/fields/WhenField.vue'
import { counted } from '@/api/words'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const { workspaces } = useChosen()
const target = ref(props.sheet.workspace_id)
const channels = ref(props.sheet.adaptations.map((one) => one.channel.id))
const walls = ref<string[]>([''])
const { busy, beside, at, run } = useProblem()
const elsewhere = computed(() => target.value !== props.sheet.workspace_id)
const others = computed(() => workspaces.value.filter((one) => one.can.make_post?.ok && !one.archived))
const zone = computed(() => workspaces.value.find((one) => one.id === target.value)?.zone ?? props.sheet.zone)
const chosen = computed(() => walls.value.filter(Boolean))

function turn(id: string) {
  channels.value = channels.value.includes(id) ? channels.value.filter((one) => one !== id) : [...channels.value, id]
}
function setWall(index: number, wall: string) {
  walls.value[index] = wall
  if (index === walls.value.length - 1 && wall && walls.value.length < 30) walls.value.push('')
}
async function copy() {
  const made = await run(() =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/copies', {
        params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } },
        body: {
          walls: chosen.value,
          channel_ids: elsewhere.value ? null : channels.value,
          workspace_id: elsewhere.value ? target.value : null,
        },
      }),
    ),
  )
  if (!made) return
  emit('close')
  const first = made.ids[0]
  if (made.ids.length === 1 && first)
    await router.push({ name: 'post', params: { workspace: target.value, post: first } })
  else void message.success(`${made.ids.length} drafts were made.`)
}
</script>

<template>
  <DialogBox :width="480" title="Copy this post" @close="emit('close')">
    <form class="small-form" @submit.prevent="copy">
      <label for="copy-to">For</label>
      <ChoiceField
        id="copy-to"
        v-model="target"
        :options="
          others.map((one) => ({
            value: one.id,
            label: one.id === sheet.workspace_id ? `${one.name}, here` : one.name,
          }))
        "
      />
      <p v-if="elsewhere" class="quiet">
        Its words, link and files come along, as files of that client. Talk, labels, tags and budgets stay here.
      </p>
      <fieldset v-else>
        <legend>On</legend>
        <Checkbox
          v-for="one in sheet.channels"
          :key="one.id"
          :checked="channels.includes(one.id)"
          @change="turn(one.id)"
          >{{ one.name }}</Checkbox
        >
      </fieldset>
      <p class="label">When, {{ place(zone) }}</p>
      <WhenField
        v-for="(wall, index) in walls"
        :id="`copy-${index}`"
        :key="index"
        :model-value="wall"
        :label="`Time ${index + 1}`"
        @update:model-value="setWall(index, $event)"
      />
      <p class="quiet">
        {{
          chosen.length === 0
            ? elsewhere
              ? 'Without a time it has none yet.'
              : 'Without a time it keeps the one it has.'
            : `${counted(chosen.length, 'draft', 'drafts, one for each time')}`
        }}
      </p>
      <p v-if="at('walls') ?? beside(['walls'])" class="late" role="alert">{{ at('walls') ?? beside(['walls']) }}</p>
      <p>
        <Button html-type="submit" type="primary" :loading="busy"
          >Make {{ chosen.length > 1 ? `${chosen.length} drafts` : 'the draft' }}</Button
        >
        <Button @click="emit('close')">Cancel</Button>
      </p>
    </form>
  </DialogBox>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
legend,
.label {
  font-weight: 600;
}
</style>
