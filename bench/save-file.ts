/** Has the browser keep something as a file. */
export function saveFile(content: string | Uint8Array<ArrayBuffer> | Blob, name: string, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  // The browser has begun to read it by then.
  setTimeout(() => URL.revokeObjectURL(url), 10_000)
}
