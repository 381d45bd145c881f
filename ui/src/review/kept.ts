// Words that are being typed on the client's page, kept in this browser until they are sent: for each post, and for
// each kind of them.
export function kept(kind: 'change' | 'say', line: string) {
  const key = `${kind}:${line}`
  return {
    read: () => localStorage.getItem(key) ?? '',
    write: (words: string) => (words === '' ? localStorage.removeItem(key) : localStorage.setItem(key, words)),
    clear: () => localStorage.removeItem(key),
  }
}
