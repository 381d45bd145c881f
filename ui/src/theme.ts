// Ant Design Vue in our language: ink for primary, small corners, compact sizes, our own type.
import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#16191C',
    colorLink: '#16191C',
    colorInfo: '#16191C',
    colorError: '#B00D2B',
    colorSuccess: '#17693F',
    colorWarning: '#8A5200',
    colorText: '#16191C',
    colorTextSecondary: '#4C5358',
    colorTextPlaceholder: '#5F666C',
    colorTextDisabled: '#5F666C',
    colorBorder: '#9BA09D',
    colorBgLayout: '#EFF0EE',
    borderRadius: 3,
    controlHeight: 28,
    fontSize: 13,
    fontFamily: "'Hanken Grotesk Variable', 'Noto Emoji', system-ui, sans-serif",
    wireframe: false,
  },
}
