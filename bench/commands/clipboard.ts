import { type Vec2 } from '@/core/geometry/vector'
import { type ToolContext } from '../tools/chart'
import { copySelected } from '../tools/select/copy'
import { pasteCopied } from '../tools/select/paste'
import { removeSelected } from '../tools/select/edits'

/** Where text is typed or marked, the clipboard belongs to the text. */
const isOfText = (event: ClipboardEvent) =>
  (event.target instanceof HTMLElement &&
    event.target.closest('input, select, textarea, [contenteditable]') !== null) ||
  !(window.getSelection()?.isCollapsed ?? true)

/**
 * Copies, cuts and pastes what is in hand by the system's clipboard, so that it reaches other windows and other jobs.
 * @param canEdit false while a tool other than the select tool is in hand, or a dialog is open
 * @returns what ends it
 */
export function followClipboard(
  context: ToolContext,
  pointer: () => Vec2 | null,
  canEdit: () => boolean,
): () => void {
  const take = (event: ClipboardEvent): boolean => {
    const text = isOfText(event) || !canEdit() ? null : copySelected(context)
    if (text === null) return false
    event.clipboardData?.setData('text/plain', text)
    event.preventDefault()
    return true
  }
  const onCopy = (event: ClipboardEvent) => void take(event)
  const onCut = (event: ClipboardEvent) => {
    if (take(event)) removeSelected(context)
  }
  const onPaste = (event: ClipboardEvent) => {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    if (!isOfText(event) && canEdit() && pasteCopied(context, text, pointer())) event.preventDefault()
  }
  window.addEventListener('copy', onCopy)
  window.addEventListener('cut', onCut)
  window.addEventListener('paste', onPaste)
  return () => {
    window.removeEventListener('copy', onCopy)
    window.removeEventListener('cut', onCut)
    window.removeEventListener('paste', onPaste)
  }
}
