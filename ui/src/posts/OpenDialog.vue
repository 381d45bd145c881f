<script setup lang="ts">
// Opens what is sealed, and says first what that costs.
import { Button, Checkbox } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { api, ok } from '@/api/client'
import { useAct, type Sheet } from './sheet'
import DialogBox from '@/parts/DialogBox.vue'

const props = defineProps<{ sheet: Sheet; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const sealed = computed(() =>
  props.sheet.adaptations.filter((one) => one.sealed && !one.opened && !one.off && one.stage !== 'out'),
)
const chosen = ref<string[]>([])
function toggle(id: string) {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter((one) => one !== id) : [...chosen.value, id]
}
watch(
  () => props.open,
  (open) => {
    if (open) chosen.value = sealed.value.map((one) => one.id)
  },
  { immediate: true },
)
const act = useAct<undefined>(
  props.sheet.id,
  () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/open', {
        params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } },
        body: { adaptation_ids: chosen.value },
      }),
    ),
  () => emit('close'),
)
</script>

<template>
  <DialogBox :open="open" title="Unlock: what this costs" :closable="false" :width="480" @close="emit('close')">
    <p>
      Each channel that you unlock can be changed; what stays locked keeps its yes. A part of the master can be changed
      once every channel that follows it is unlocked.
    </p>
    <ul>
      <li v-for="one in sealed" :key="one.id">
        <Checkbox :checked="chosen.includes(one.id)" @change="toggle(one.id)"
          ><b>{{ one.channel.name }}</b></Checkbox
        >
        <ul>
          <li v-for="cost in one.cost" :key="cost">{{ cost }}</li>
          <li v-if="one.cost.length === 0">Costs nothing.</li>
        </ul>
      </li>
    </ul>
    <p class="quiet">Put back exactly as it was, with no other answer since, the yeses count again.</p>
    <div class="acts">
      <Button
        type="primary"
        :disabled="chosen.length === 0"
        :loading="act.isPending.value"
        @click="act.mutate(undefined)"
        >Unlock {{ chosen.length === 1 ? 'one channel' : `${chosen.length} channels` }}</Button
      >
      <Button @click="emit('close')">Cancel</Button>
    </div>
  </DialogBox>
</template>

<style scoped>
ul {
  margin: 10px 0;
}
li li {
  padding-left: 22px;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 14px;
}
</style>
