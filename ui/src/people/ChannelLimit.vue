<script setup lang="ts">
// All channels of the client, or only some.
import { Checkbox, Radio, RadioGroup } from 'ant-design-vue'
const ids = defineModel<string[] | null>({ required: true })
defineProps<{ channels: { id: string; name: string }[]; wrong?: string }>()
function toggle(id: string) {
  const now = ids.value ?? []
  ids.value = now.includes(id) ? now.filter((one) => one !== id) : [...now, id]
}
</script>

<template>
  <fieldset class="field" :class="{ bad: wrong }">
    <legend class="label">Channels</legend>
    <RadioGroup :value="ids === null" class="stacked" @update:value="ids = $event ? null : []">
      <Radio :value="true">all, also later ones</Radio>
      <Radio :value="false">only these</Radio>
    </RadioGroup>
    <div v-if="ids !== null" class="some">
      <Checkbox v-for="one in channels" :key="one.id" :checked="ids.includes(one.id)" @change="toggle(one.id)">{{
        one.name
      }}</Checkbox>
    </div>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
}
legend {
  font-weight: 600;
  padding: 0;
}
.some {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
  padding-left: 22px;
}
</style>
