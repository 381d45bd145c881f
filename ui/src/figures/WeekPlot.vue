<script setup lang="ts">
// How the time until an answer changes, week by week, for each side.
import { computed, useTemplateRef } from 'vue'
import { calendarDay } from '@/api/time'
import { hours, type Figures } from './figures'
import { ink, usePlot } from './plot'

const props = defineProps<{ weeks: Figures['weeks'] }>()
const canvas = useTemplateRef('canvas')
const days = computed(() => [...new Set(props.weeks.map((one) => one.week))])
const sides = computed(() =>
  (['internal', 'client'] as const).filter((side) => props.weeks.some((one) => one.side === side)),
)
const found = (side: string, week: string) => props.weeks.find((one) => one.side === side && one.week === week)?.time

usePlot(canvas, () => ({
  type: 'line',
  data: {
    labels: days.value.map((day) => calendarDay(day)),
    datasets: sides.value.map((side) => ({
      label: side === 'client' ? 'client' : 'inside',
      data: days.value.map((day) => found(side, day)?.median ?? null),
      borderColor: ink(side),
      backgroundColor: ink(side),
      borderWidth: 2,
      pointRadius: 3,
      pointStyle: side === 'client' ? ('circle' as const) : ('rect' as const),
      spanGaps: true,
    })),
  },
  options: {
    scales: {
      x: { grid: { display: false } },
      y: { beginAtZero: true, title: { display: true, text: 'working hours' }, grid: { color: ink('hairline') } },
    },
    plugins: {
      legend: { position: 'bottom', labels: { usePointStyle: true, boxHeight: 7 } },
      tooltip: {
        callbacks: {
          label: ({ datasetIndex, dataIndex }) => {
            const time = found(sides.value[datasetIndex]!, days.value[dataIndex]!)
            return `half within ${hours(time?.median ?? null)}, of ${time?.n}`
          },
        },
      },
    },
  },
}))
</script>

<template>
  <div class="plot">
    <canvas ref="canvas" role="img" aria-label="Median working hours until an answer, by week and side" />
  </div>
</template>

<style scoped>
.plot {
  position: relative;
  height: 200px;
}
</style>
