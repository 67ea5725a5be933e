import { useRef, useState, type InputHTMLAttributes } from 'react'
import { Fault } from '@/core/model/fault'

/**
 * Typing into a field: Enter or leaving it takes what was typed; Esc brings the old text back.
 * @param shown as it stands, written out
 * @param onType takes what was typed; returns what is wrong, or null. May throw a Fault as well.
 */
export function useTyped(
  shown: string,
  onType: (text: string) => Fault | null,
): { readonly input: InputHTMLAttributes<HTMLInputElement>; readonly wrong: Fault | null } {
  const [typed, setTyped] = useState<string | null>(null)
  const [wrong, setWrong] = useState<Fault | null>(null)
  /** Set while Enter or Esc leaves the field: what was typed has been dealt with. */
  const done = useRef(false)

  const take = (text: string): boolean => {
    if (text === shown) {
      setTyped(null)
      setWrong(null)
      return true
    }
    let problem: Fault | null
    try {
      problem = onType(text)
    } catch (error) {
      if (!(error instanceof Fault)) throw error
      problem = error
    }
    setWrong(problem)
    if (problem === null) setTyped(null)
    return problem === null
  }

  return {
    wrong,
    input: {
      value: typed ?? shown,
      'aria-invalid': wrong !== null,
      onChange: (event) => setTyped(event.target.value),
      onFocus: (event) => event.target.select(),
      onBlur: (event) => {
        if (typed !== null && !done.current) take(event.target.value)
        done.current = false
      },
      onKeyDown: (event) => {
        event.stopPropagation()
        // Taken or given up: the keys belong to the tools again.
        const leave = () => {
          done.current = true
          event.currentTarget.blur()
        }
        if (event.key === 'Enter' && take(event.currentTarget.value)) leave()
        if (event.key === 'Escape') {
          setTyped(null)
          setWrong(null)
          leave()
        }
      },
    },
  }
}
