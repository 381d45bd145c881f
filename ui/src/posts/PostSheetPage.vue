<script setup lang="ts">
// A post, whole: the master and each channel side by side, and the ledger behind the thick rule.
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useChosen } from '@/agency/me'
import { unread } from '@/api/client'
import { begun, isUnmade } from '@/api/fresh'
import { titled } from '@/api/words'
import ComingShape from '@/parts/ComingShape.vue'
import KeysHelp from '@/parts/KeysHelp.vue'
import { entitle } from '@/parts/title'
import { providePins } from '@/talk/pins'
import DiscardedPost from './DiscardedPost.vue'
import PostColumns from './PostColumns.vue'
import PostDialogs from './PostDialogs.vue'
import PostLedger from './PostLedger.vue'
import PostSheetHead from './PostSheetHead.vue'
import { provideChecks } from './checks'
import type { Dialog } from './dialogs'
import { provideHere } from './here'
import { useSheet } from './sheet'
import { useSheetActs } from './sheet-acts'

const props = defineProps<{
  workspace: string
  post: string
  /** Over another page, whose main part it is not. */
  over?: boolean
}>()
const emit = defineEmits<{ gone: [] }>()
const { workspaces, me } = useChosen()
const client = computed(() => workspaces.value.find((one) => one.id === props.workspace)?.name ?? 'the client')
const route = useRoute()
const router = useRouter()
// begun here, or come back to before its first word
if (route.query.new !== undefined) begun(props.post)
const { data: sheet, error, isPending, refetch } = useSheet(props.workspace, props.post)
/** Whether there is anything of it on the server. */
const made = ref(!isUnmade(props.post))
watch(
  () => sheet.value,
  () => {
    if (made.value || isUnmade(props.post)) return
    made.value = true
    void router.replace({ ...route, query: { ...route.query, new: undefined } } as never)
  },
)
watch(
  () => sheet.value?.subject,
  (subject) => subject !== undefined && entitle(titled(subject)),
  { immediate: true },
)
const now = computed(() => me.value?.now ?? new Date().toISOString())
const path = { workspace: props.workspace, post: props.post }
provideChecks(path, sheet)
providePins()
const here = provideHere(path, () => me.value?.id)
const acts = useSheetActs(path, sheet, () => emit('gone'))
const columns = ref<InstanceType<typeof PostColumns>>()
const ledger = ref<InstanceType<typeof PostLedger>>()
const open = ref<Dialog>()
</script>

<template>
  <component :is="over ? 'div' : 'main'" v-if="sheet" class="sheet">
    <PostSheetHead
      :sheet="sheet"
      :acts="acts"
      :others="here.others.value"
      :now="now"
      :fresh="!made"
      @copy="columns?.focus()"
      @open="open = $event"
    />
    <p v-for="hold in sheet.holds" :key="hold.id" class="held" role="status">
      <b>On hold{{ hold.channel_id ? ` on ${sheet.channels.find((one) => one.id === hold.channel_id)?.name}` : '' }}</b>
      by {{ hold.by }}: <bdi>{{ hold.reason }}</bdi>
    </p>
    <div class="work">
      <PostColumns
        ref="columns"
        :sheet="sheet"
        :now="now"
        @replace="open = { dialog: 'replace' }"
        @findings="ledger?.lookAtChecks()"
      />
      <PostLedger
        ref="ledger"
        :sheet="sheet"
        :now="now"
        :client="client"
        :fresh="!made"
        @ask="open = { dialog: 'ask', offer: $event }"
        @show="(place, channel) => columns?.show(place, channel)"
        @discard="acts.discard.mutate(undefined)"
      />
    </div>
    <PostDialogs :sheet="sheet" :open="open" @close="open = undefined" />
    <KeysHelp
      :keys="[
        ['S', 'send the next ask'],
        ['L', 'release'],
        ['Y', 'answer yes'],
        ['W', 'want a change'],
        ['F2', 'the copy wide, and back'],
        ['F', 'on a part of a channel’s own: follow the master again'],
        ['Ctrl Enter', 'save or send the field'],
        ['/', 'find, or do'],
        ['C', 'choose a client by typing'],
      ]"
    />
  </component>
  <component :is="over ? 'div' : 'main'" v-else class="wait">
    <DiscardedPost v-if="error" :workspace="workspace" :post="post" :refusal="unread(error)" @restored="refetch()" />
    <ComingShape v-else-if="isPending" label="Fetching the post" :lines="12" />
  </component>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  height: var(--sheet-height, calc(100vh - 48px));
}
.held {
  padding: 6px 20px;
  background: repeating-linear-gradient(135deg, var(--well) 0 8px, var(--ground) 8px 16px);
  border-bottom: 1px solid var(--rule);
}
.work {
  display: flex;
  flex: 1;
  min-height: 0;
}
.wait {
  padding: 30px 20px;
}
@media (max-width: 760px) {
  .sheet {
    height: auto;
  }
  .work {
    flex-direction: column;
  }
  .columns:is(.few, .wide, .none),
  .columns {
    grid-template-columns: 100%;
    grid-auto-flow: row;
  }
  .ledger {
    flex-basis: auto;
  }
  .first {
    position: static;
  }
}
</style>
