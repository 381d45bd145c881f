<script setup lang="ts">
// What is different since the reader's own last answer: by word, by picture, by setting; or plainly that nothing is.
import { computed } from 'vue'
import type { Variant } from './api'
import { fill, t } from './language'

const props = defineProps<{ since: NonNullable<Variant['since']> }>()
const settings = computed(() =>
  props.since.lines.map((line) =>
    fill(t().changedSetting, {
      label: (t().settings as Record<string, string>)[line.key] ?? line.label,
      before: line.before ?? t().nothing,
      after: line.after ?? t().nothing,
    }),
  ),
)
</script>

<template>
  <div class="since">
    <p v-if="since.verdict !== 'yes' && since.words">
      <bdi>{{ fill(t().youWanted, { words: since.words }) }}</bdi>
    </p>
    <p v-if="since.same" class="quiet">{{ t().sameAsBefore }}</p>
    <template v-else>
      <p v-if="since.pictures">{{ t().changedPictures }}</p>
      <p v-for="line in settings" :key="line">
        <bdi>{{ line }}</bdi>
      </p>
      <template v-if="since.text">
        <p class="quiet">{{ t().changedWords }}</p>
        <p class="compared" dir="auto">
          <template v-for="(run, index) in since.runs" :key="index"
            ><del v-if="run.kind === 'gone'">{{ run.words }}</del
            ><ins v-else-if="run.kind === 'new'">{{ run.words }}</ins
            ><template v-else>{{ run.words }}</template></template
          >
        </p>
      </template>
    </template>
  </div>
</template>
