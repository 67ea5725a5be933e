/** A moment as these pages write it: where the server stands. */
export const whenText = (at: Date): string =>
  new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' }).format(at)

const browsers: readonly (readonly [RegExp, string])[] = [
  [/\bEdg\//, 'Edge'],
  [/\bFirefox\//, 'Firefox'],
  [/Chrom(e|ium)\//, 'Chromium'],
  [/\bVersion\/.*\bSafari\//, 'Safari'],
]
const systems: readonly (readonly [RegExp, string])[] = [
  [/\bAndroid\b/, 'Android'],
  [/\b(iPhone|iPad)\b/, 'iOS'],
  [/\bWindows\b/, 'Windows'],
  [/\bMac OS X\b/, 'macOS'],
  [/\bLinux\b/, 'Linux'],
]
const known = (names: readonly (readonly [RegExp, string])[], text: string) =>
  names.find(([pattern]) => pattern.test(text))?.[1]

/** What a browser calls itself, in two words; the beginning of it where it is none that is known. */
export function deviceText(agent: string): string {
  const [browser, system] = [known(browsers, agent), known(systems, agent)]
  if (browser && system) return `${browser} on ${system}`
  return browser ?? system ?? (agent.slice(0, 60) || 'Unknown device')
}
