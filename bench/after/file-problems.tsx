import { later } from '@/words/en/later'
import { meterProblems } from '@/words/en/meter-problems'
import { useSayer } from '../context'
import { type Taken } from './use-production'

const words = later.after

/** What there is to say of the file that was taken. */
export function FileProblems({ taken: { problems, leftOut, unkept } }: { readonly taken: Taken }) {
  const sayer = useSayer()
  const lines = [
    ...(unkept ? [words.unkept] : []),
    ...(leftOut > 0 ? [sayer.say(words.leftOut, { spans: leftOut })] : []),
    ...problems.map(({ code, data, line }) =>
      sayer.say((meterProblems as Readonly<Record<string, string>>)[code] ?? code, { ...data, line }),
    ),
  ]
  return lines.length === 0 ? null : (
    <>
      <h3 className="mt-4 mb-1 font-semibold">{words.problems}</h3>
      <ul className="list-disc pl-5">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </>
  )
}
