/** What the browser's tab is called: what the page shows, as soon as that is known. */
export function entitle(words: string): void {
  document.title = `${words} · Ask First`
}
