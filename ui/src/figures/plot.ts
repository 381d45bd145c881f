// Plots in our own type and colours; loaded with the page that shows them, and nowhere else.
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartConfiguration,
} from 'chart.js'
import { onBeforeUnmount, onMounted, watch, type Ref } from 'vue'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

/** The value of one of the colours of base.css. */
export const ink = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()

export function usePlot(canvas: Ref<HTMLCanvasElement | null>, configuration: () => ChartConfiguration) {
  let chart: Chart | undefined
  const draw = () => {
    chart?.destroy()
    if (!canvas.value) return
    Chart.defaults.font.family = ink('sans')
    Chart.defaults.font.size = 12
    Chart.defaults.color = ink('ink-2')
    Chart.defaults.animation = false
    Chart.defaults.maintainAspectRatio = false
    chart = new Chart(canvas.value, configuration())
  }
  onMounted(draw)
  watch(configuration, draw)
  onBeforeUnmount(() => chart?.destroy())
}
