import { longestName } from '@/core/model/object-base'

/** What a file's name makes of a name: without its ending, no longer than names are, and never empty. */
export function nameOfFile({ name }: Pick<File, 'name'>): string {
  const cut = (text: string) =>
    text
      .slice(0, longestName)
      // Half of a character that is written as two.
      .replace(/[\ud800-\udbff]$/, '')
      .trim()
  return cut(name.replace(/\.[^.]*$/, '')) || cut(name)
}
