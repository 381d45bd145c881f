<script setup lang="ts">
// One way in which the post appears: its channels, its pictures as they will be sent, its text with the fold.
import { computed } from 'vue'
import { fileAddress, type Way } from './api'

const props = defineProps<{ way: Way; index: number; count: number }>()
const points = computed(() => Array.from(props.way.text))
const head = computed(() => (props.way.fold == null ? props.way.text : points.value.slice(0, props.way.fold).join('')))
const rest = computed(() => (props.way.fold == null ? '' : points.value.slice(props.way.fold).join('').replace(/^\n+/, '')))
</script>

<template>
  <section class="way" :data-way="index">
    <h2>
      <span v-if="count > 1" class="quiet">{{ index + 1 }} of {{ count }}</span>
      <span v-for="channel in way.channels" :key="channel.name" class="channel"
        ><i :class="channel.network.toLowerCase()" aria-hidden="true">{{ channel.initials }}</i
        >{{ channel.name }}</span
      >
    </h2>
    <div class="proof">
      <img v-for="picture in way.pictures" :key="picture.id" :src="fileAddress(picture.id)" :alt="picture.description || 'Picture of this post'" />
      <p class="copy">
        {{ head }}<span v-if="rest" class="fold"><span>cut here until opened</span></span
        ><span v-if="rest" class="rest">{{ rest }}</span>
      </p>
    </div>
  </section>
</template>
