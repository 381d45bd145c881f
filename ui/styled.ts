// Puts a build's first styles into its page, so that something is seen without waiting for a second call.
import type { Plugin } from 'vite'

export function styled(): Plugin {
  return {
    name: 'styled',
    transformIndexHtml: {
      order: 'post',
      handler: (html, { bundle }) =>
        html.replace(/<link rel="stylesheet"[^>]*href="[^"]*\/(assets\/[^"]+)"[^>]*>/g, (link, name: string) => {
          const sheet = bundle?.[name]
          return sheet?.type === 'asset' ? `<style>${String(sheet.source)}</style>` : link
        }),
    },
  }
}
