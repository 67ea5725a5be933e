import { theOne } from '@/core/kinds/documents'
import { siteId } from '@/core/kinds/site/site'
import { solsticeDay } from '@/core/model/moment'
import { english } from '@/words/english'
import { type BenchParts } from '../context'
import { hideSelected } from '../store/hiding'
import { type Chapter } from '../store/session'
import { type Deed } from '../tools/select/deeds'

export interface Command {
  readonly label: string
  readonly shortcut: string
  readonly matches: (event: Pick<KeyboardEvent, 'key' | 'shiftKey'>, control: boolean) => boolean
  readonly run: () => void
}

const sheets = [
  ['estimate', 'Quick estimate', 'E'],
  ['year', 'Year by month', 'Y'],
  ['shade', 'Shade bill, sun access and sun path', 'W'],
  ['weather', 'Import weather', 'I'],
  ['history', 'History', ';'],
  ['comments', 'Comments', ':'],
] as const

const solstices = [
  ['winter', ','],
  ['summer', '.'],
] as const

const chapters: readonly Chapter[] = ['site', 'shape', 'cover', 'wire', 'match', 'store', 'offer']

const plain = (letter: string) => (event: Pick<KeyboardEvent, 'key' | 'shiftKey'>, control: boolean) =>
  !control && event.key.toLowerCase() === letter.toLowerCase()

/**
 * Everything that can be done by keyboard, with its shortcut where it has one.
 * @param onSelected does something with all that is selected
 */
export function commandsOf(
  { session, documents, tools, allTools }: BenchParts,
  onSelected: (deed: Deed) => void,
): Command[] {
  const { words } = english
  return [
    {
      label: 'Undo',
      shortcut: 'Ctrl Z',
      matches: (e, c) => c && !e.shiftKey && e.key.toLowerCase() === 'z',
      run: () => {
        if (!tools.chart.undo()) documents.undo()
      },
    },
    {
      label: 'Redo',
      shortcut: 'Ctrl Shift Z',
      matches: (e, c) => c && ((e.shiftKey && e.key.toLowerCase() === 'z') || e.key.toLowerCase() === 'y'),
      run: () => documents.redo(),
    },
    {
      label: 'Duplicate the selection',
      shortcut: 'Ctrl D',
      matches: (e, c) => c && e.key.toLowerCase() === 'd',
      run: () => onSelected('duplicate'),
    },
    {
      label: 'Select everything; with modules selected, all modules of their arrays',
      shortcut: 'Ctrl A',
      matches: (e, c) => c && e.key.toLowerCase() === 'a',
      run: () => onSelected('choose-all'),
    },
    {
      label: 'Mirror the selection, east for west',
      shortcut: 'X',
      matches: plain('x'),
      run: () => onSelected('flip-east'),
    },
    {
      label: 'Mirror the selection, north for south',
      shortcut: 'J',
      matches: plain('j'),
      run: () => onSelected('flip-north'),
    },
    {
      label: 'Join the selected buildings into one',
      shortcut: 'B',
      matches: plain('b'),
      run: () => onSelected('join'),
    },
    {
      label: 'Lock the selection against hands, or unlock it',
      shortcut: 'N',
      matches: plain('n'),
      run: () => onSelected('lock'),
    },
    {
      label: 'Hide the selection; with nothing selected, show what is hidden',
      shortcut: 'Z',
      matches: plain('z'),
      run: () => hideSelected(session),
    },
    {
      label: 'Switch between plan and 3D',
      shortcut: 'V',
      matches: plain('v'),
      run: () => session.setState((s) => ({ plan: !s.plan })),
    },
    {
      label: 'Fit the whole house',
      shortcut: 'F',
      matches: plain('f'),
      run: () => document.querySelector<HTMLButtonElement>('[data-command="frame"]')?.click(),
    },
    ...allTools.map(({ id, key, chapter }): Command => ({
      label: words.tools[id].command,
      shortcut: key,
      matches: plain(key),
      run: () => {
        if (id !== 'select') session.setState({ chapter })
        tools.take(id)
      },
    })),
    ...chapters.map((chapter, i): Command => ({
      label: `Go to ${words.chapters[chapter]}`,
      shortcut: String(i + 1),
      matches: plain(String(i + 1)),
      run: () => session.setState({ chapter }),
    })),
    ...sheets.map(([dialog, label, key]): Command => ({
      label,
      shortcut: key,
      matches: plain(key),
      run: () => session.setState({ dialog }),
    })),
    ...solstices.map(([season, key]): Command => ({
      label: `Go to the ${season} solstice`,
      shortcut: key,
      matches: plain(key),
      run: () => {
        const { latitudeDeg } = theOne(documents.house, 'site', siteId)
        session.setState({ day: solsticeDay(latitudeDeg, season) })
      },
    })),
    {
      label: 'Fold the outline',
      shortcut: '[',
      matches: plain('['),
      run: () => session.setState((s) => ({ leftFolded: !s.leftFolded })),
    },
    {
      label: 'Fold the ledger',
      shortcut: ']',
      matches: plain(']'),
      run: () => session.setState((s) => ({ rightFolded: !s.rightFolded })),
    },
    {
      label: 'All commands',
      shortcut: 'Ctrl K',
      matches: (e, c) => c && e.key.toLowerCase() === 'k',
      run: () => session.setState({ dialog: 'commands' }),
    },
    {
      label: 'Shortcuts',
      shortcut: '?',
      matches: plain('?'),
      run: () => session.setState({ dialog: 'shortcuts' }),
    },
  ]
}
