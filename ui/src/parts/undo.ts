// A way back from what was done at once: offered for a while, in words, by a button.
import { message } from 'ant-design-vue'
import { h } from 'vue'

const SECONDS = 12
let count = 0

export function offerUndo(words: string, undo: () => void): void {
  const key = `undo-${(count += 1)}`
  const back = () => {
    message.destroy(key)
    undo()
  }
  message.open({
    key,
    duration: SECONDS,
    content: () =>
      h('span', { role: 'status' }, [
        `${words} `,
        h('button', { type: 'button', class: 'link-button', onClick: back }, 'Undo'),
      ]),
  })
}
