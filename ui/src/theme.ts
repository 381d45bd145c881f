// Ant Design Vue in our language: ink for primary, small corners, compact sizes, our own type. It computes with values, so
// they are read out of the one file that has them.
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'
import colours from './colours.css?raw'

const values = Object.fromEntries(
  [...colours.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name, hex]) => [name, hex]),
)
const colour = (name: string): string => {
  const found = values[name]
  if (!found) throw new Error(`There is no colour “${name}”.`)
  return found
}

export const theme: ThemeConfig = {
  token: {
    colorPrimary: colour('ink'),
    colorLink: colour('ink'),
    colorInfo: colour('ink'),
    colorError: colour('trouble'),
    colorSuccess: colour('cleared'),
    colorWarning: colour('internal'),
    colorText: colour('ink'),
    colorTextSecondary: colour('ink-2'),
    colorTextPlaceholder: colour('drafting'),
    colorTextDisabled: colour('drafting'),
    colorBorder: colour('edge'),
    colorBgLayout: colour('ground'),
    borderRadius: 3,
    controlHeight: 28,
    fontSize: 13,
    fontFamily: "'Hanken Grotesk Variable', 'Noto Emoji', system-ui, sans-serif",
    wireframe: false,
  },
}
