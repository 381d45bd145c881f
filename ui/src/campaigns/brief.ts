// A brief as it was written (CommonMark), set as HTML that holds text and nothing that acts.
import DOMPurify from 'dompurify'
import { marked } from 'marked'

const TAGS = [
  'p',
  'br',
  'strong',
  'em',
  'del',
  'h1',
  'h2',
  'h3',
  'h4',
  'ul',
  'ol',
  'li',
  'blockquote',
  'code',
  'pre',
  'hr',
  'a',
]

export function briefHtml(text: string): string {
  const html = marked.parse(text, { async: false, breaks: true, gfm: true })
  return DOMPurify.sanitize(html, {
    ALLOWED_TAGS: TAGS,
    ALLOWED_ATTR: ['href'],
    ALLOWED_URI_REGEXP: /^(?:https?|mailto):/i,
  })
}
