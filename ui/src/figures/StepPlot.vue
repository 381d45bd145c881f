<script setup lang="ts">
// How long each step takes: the median in full colour, up to the 90th percentile lighter.
import { useTemplateRef } from 'vue'
import { hours, type Figures } from './figures'
import { ink, usePlot } from './plot'

const props = defineProps<{ steps: Figures['steps'] }>()
const canvas = useTemplateRef('canvas')
const colour = (side: string) => ink(side === 'client' ? 'client' : 'internal')

usePlot(canvas, () => ({
  type: 'bar',
  data: {
    labels: props.steps.map((step) => step.name),
    datasets: [
      {
        label: 'half of the answers are there after',
        data: props.steps.map((step) => step.time.median ?? 0),
        backgroundColor: props.steps.map((step) => colour(step.side)),
        barThickness: 16,
      },
      {
        label: 'nine of ten',
        data: props.steps.map((step) => Math.max(0, (step.time.p90 ?? 0) - (step.time.median ?? 0))),
        backgroundColor: props.steps.map((step) => `${colour(step.side)}55`),
        barThickness: 16,
      },
    ],
  },
  options: {
    indexAxis: 'y',
    scales: {
      x: {
        stacked: true,
        beginAtZero: true,
        title: { display: true, text: 'working hours' },
        grid: { color: ink('hairline') },
      },
      y: { stacked: true, grid: { display: false } },
    },
    plugins: {
      legend: { display: false },
      tooltip: {
        callbacks: {
          label: ({ dataIndex, datasetIndex }) => {
            const { median, p90 } = props.steps[dataIndex]!.time
            return datasetIndex === 0 ? `half within ${hours(median)}` : `nine of ten within ${hours(p90)}`
          },
        },
      },
    },
  },
}))
</script>

<template>
  <div class="plot" :style="{ height: `${58 + steps.length * 34}px` }">
    <canvas ref="canvas" role="img" aria-label="How long each step takes; the same numbers stand in the table below" />
  </div>
</template>

<style scoped>
.plot {
  position: relative;
}
</style>
