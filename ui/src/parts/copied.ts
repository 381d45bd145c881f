// Words into the clipboard, and said so.
import { message } from 'ant-design-vue'

export async function copied(text: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(text)
    void message.success('Copied.')
  } catch {
    void message.error('The browser did not let it be copied; mark the text and copy it yourself.')
  }
}
