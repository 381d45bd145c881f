<script setup lang="ts">
// Two revisions beside each other, channel by channel: text by words, pictures side by side, the rest by line.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, unread } from '@/api/client'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import WordRuns from '@/parts/WordRuns.vue'
import DialogBox from '@/parts/DialogBox.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'

const props = defineProps<{ workspace: string; post: string; from: number; to: number; numbers: number[] }>()
const emit = defineEmits<{ close: [] }>()
const choices = computed(() => props.numbers.map((one) => ({ value: one, label: String(one) })))
const from = ref(props.from)
const to = ref(props.to)
const { data, error } = useQuery({
  queryKey: ['revisions', props.post, from, to],
  queryFn: () =>
    ok(
      api.GET('/api/w/{workspace}/posts/{post}/revisions', {
        params: {
          path: { workspace: props.workspace, post: props.post },
          query: { from: String(from.value), to: String(to.value) },
        },
      }),
    ),
})
const SAYS: Record<string, string> = { same: 'the same', changed: 'changed', added: 'added', removed: 'taken off' }
const file = (id: string) => `/api/w/${props.workspace}/renditions/${id}`
</script>

<template>
  <DialogBox :width="860" title="Two revisions beside each other" @close="emit('close')">
    <p class="choose">
      <label for="compare-from">Revision</label>
      <ChoiceField id="compare-from" v-model="from" :options="choices" />
      <label for="compare-to">with</label>
      <ChoiceField id="compare-to" v-model="to" :options="choices" />
      <span class="quiet">Struck: only in the earlier one. Underlined: only in the later one.</span>
    </p>
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <section
      v-for="one in data?.compared?.adaptations"
      :key="one.channel.id"
      :aria-label="`${one.channel.name}: ${SAYS[one.change]}`"
    >
      <h3>
        <ChannelLogo :network="one.channel.network" :initials="one.channel.initials" /> {{ one.channel.name }}
        <span class="quiet">{{ SAYS[one.change] }}</span>
      </h3>
      <template v-if="one.change !== 'same'">
        <WordRuns :runs="one.text" :label="`Text on ${one.channel.name}`" />
        <div v-if="one.media.changed" class="side">
          <div v-for="side in ['before', 'after'] as const" :key="side">
            <span class="quiet">{{ side === 'before' ? 'earlier' : 'later' }}</span>
            <span class="pictures">
              <template v-for="kept in one.media[side]" :key="kept.id">
                <video
                  v-if="kept.kind === 'video'"
                  :src="file(kept.id)"
                  :aria-label="kept.description || 'Video without a description'"
                  controls
                  preload="metadata"
                />
                <a v-else-if="kept.kind === 'document'" :href="file(kept.id)" target="_blank">{{
                  kept.description || 'Document without a description'
                }}</a>
                <img v-else :src="file(kept.id)" :alt="kept.description || 'Picture without a description'" />
              </template>
            </span>
            <span v-if="one.media[side].length === 0" class="quiet">nothing</span>
          </div>
        </div>
        <dl v-for="line in one.lines" :key="line.label">
          <dt>{{ line.label }}</dt>
          <dd>
            <del>{{ line.before ?? 'none' }}</del> <ins>{{ line.after ?? 'none' }}</ins>
          </dd>
        </dl>
      </template>
    </section>
  </DialogBox>
</template>

<style scoped>
.choose {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
section {
  margin-top: 12px;
  padding-top: 8px;
  border-top: 2px solid var(--ink);
}
h3 {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
  font-weight: 600;
}
.side {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin: 6px 0;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.pictures img,
.pictures video {
  max-width: 180px;
  max-height: 140px;
}
dl {
  display: grid;
  grid-template-columns: 120px 1fr;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
dt {
  color: var(--ink-2);
}
del {
  color: var(--ink-2);
}
</style>
