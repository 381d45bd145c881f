<script setup lang="ts">
// The agency's policies: second factor, length of sessions, where people of the agency may be invited from.
import { Button, Checkbox, InputNumber, Textarea, message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, isProblem, ok, unread, type Schemas } from '@/api/client'
import { list } from '@/api/words'
import FormField from '@/parts/FormField.vue'
import { useProblem } from '@/parts/problem'

const queries = useQueryClient()
const { data, error } = useQuery({ queryKey: ['policies'], queryFn: () => ok(api.GET('/api/agency/policies')) })
const form = ref<{
  second_factor_required: boolean
  session_hours: number
  domains: string
  leads_change_route: boolean
}>()
const seen = ref(0)
const theirs = ref<Record<string, unknown>>()
const { busy, at, beside, run, error: refused } = useProblem()
const plain = (now: Schemas['Policies']) => ({
  second_factor_required: now.second_factor_required,
  session_hours: now.session_hours,
  domains: now.mail_domains.join('\n'),
  leads_change_route: now.leads_change_route,
})
const changed = computed(
  () => form.value && data.value && JSON.stringify(form.value) !== JSON.stringify(plain(data.value)),
)
watch(
  data,
  (now, before) => {
    if (!now || (before && form.value && JSON.stringify(form.value) !== JSON.stringify(plain(before)))) return
    form.value = plain(now)
    seen.value = now.version
  },
  { immediate: true },
)
async function save() {
  const { domains, ...rest } = form.value!
  const saved = await run(() =>
    ok(
      api.PUT('/api/agency/policies', {
        params: { header: { 'If-Match': `"${seen.value}"` } },
        body: { ...rest, mail_domains: domains.split(/[\s,]+/).filter(Boolean) },
      }),
    ),
  )
  if (saved) {
    seen.value = saved.version
    theirs.value = undefined
    void message.success('The policies stand from now on.')
    await queries.invalidateQueries({ queryKey: ['policies'] })
    if (data.value) form.value = plain(data.value)
  } else if (isProblem(refused.value) && refused.value.problem.code === 'policies_changed') {
    const facts = refused.value.problem.facts as { theirs: Record<string, unknown>; version: number }
    theirs.value = facts.theirs
    seen.value = facts.version
  }
}
</script>

<template>
  <main class="page">
    <p v-if="error" role="alert">{{ unread(error) }}</p>
    <form v-if="form && data" class="narrow" @submit.prevent="save">
      <section class="block">
        <h2>Signing in</h2>
        <Checkbox v-model:checked="form.second_factor_required"
          >A second factor is required of everybody who signs in</Checkbox
        >
        <p v-if="at('second_factor_required')" class="wrong" role="alert">{{ at('second_factor_required') }}</p>
        <p v-if="data.without_second_factor.length > 0" class="quiet">
          Without one at the moment: {{ list(data.without_second_factor) }}. They set it up at their next sign-in,
          before anything else opens.
        </p>
        <FormField
          id="hours"
          label="A session lasts (hours)"
          :wrong="at('session_hours')"
          hint="After that one signs in anew; what is typed stays in the browser."
          ><InputNumber id="hours" v-model:value="form.session_hours" :min="1" :max="720"
        /></FormField>
      </section>
      <section class="block">
        <h2>Who may be invited to the agency’s side</h2>
        <FormField
          id="domains"
          label="Only from these mail domains"
          :wrong="at('mail_domains')"
          hint="One a line. Empty: from anywhere. People of clients are not concerned."
        >
          <Textarea
            id="domains"
            v-model:value="form.domains"
            :rows="4"
            spellcheck="false"
            placeholder="fernhollow.example"
          />
        </FormField>
      </section>
      <section class="block">
        <h2>Sign-off routes</h2>
        <Checkbox v-model:checked="form.leads_change_route"
          >Whoever leads a client may change its sign-off route; else only owners</Checkbox
        >
      </section>
      <div v-if="theirs" class="block" role="alert">
        <b>Another owner changed the policies meanwhile.</b>
        <p v-for="(value, key) in theirs" :key="key">
          {{ String(key).replaceAll('_', ' ') }}: {{ Array.isArray(value) ? value.join(', ') || 'anywhere' : value }}
        </p>
        <p>Yours is kept above; saving again puts it in place of theirs.</p>
      </div>
      <p
        v-if="beside(['second_factor_required', 'session_hours', 'mail_domains']) && !theirs"
        class="wrong"
        role="alert"
      >
        {{ beside(['second_factor_required', 'session_hours', 'mail_domains']) }}
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="!changed" :loading="busy">{{
          theirs ? 'Keep mine' : 'Save the policies'
        }}</Button>
      </div>
    </form>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 640px;
}
</style>
