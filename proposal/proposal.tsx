'use client'

import { useEffect, useMemo, useState, type ReactNode } from 'react'
import { BillChart, EnergyChart, PaybackChart } from '@/charts/figures'
import { type PageSection } from '@/core/kinds/offer/page'
import { type LineId } from '@/core/model/ledger'
import { money, paperOf } from '@/words/format'
import { localeIn } from '@/words/language'
import { speechOf } from '@/words/languages'
import { proposalWords } from '@/words/proposal-words'
import { Sayer } from '@/words/sayer'
import { type Equipment, type ProposalData } from './shape'
import { type OfferState } from './answer'
import { Accept, Accepted, Ask } from './answers'
import { Head, inItsColour } from './head'
import { InShort } from './in-short'
import { Assumptions, Environment, Losses } from './reasons'
import { paidBackShown } from './paid-back'
import { pageLanguageOf } from './page-language'
import { RoofView } from './roof-view'
import { spokenOffer } from './spoken'
import { usualMoment } from './usual-moment'
import { Ways } from './ways'

interface Props {
  readonly data: ProposalData
  /** For the printer: nothing that moves. */
  readonly print: boolean
  readonly pdfPath: string
  readonly figuresPath: string
  readonly state: OfferState
  /** Whether whoever looks may answer: not who sent it. */
  readonly mayAnswer: boolean
}

/** The customer's page, in the customer's language: the roof, the money, the energy, the equipment. */
export function Proposal({ data, print, pdfPath, figuresPath, state, mayAnswer }: Props) {
  const { summary } = data
  const language = pageLanguageOf(data)
  const site = useMemo(
    () => ({ ...data.site, locale: localeIn(language, data.site.locale) }),
    [data.site, language],
  )
  const sayer = useMemo(() => new Sayer(speechOf(language), site), [language, site])
  const words = proposalWords(sayer.language)
  /** The figure that is shown everywhere for it. */
  const value = (id: LineId) => {
    const line = summary.ledger.find((one) => one.id === id)
    return line?.shown ?? line?.value ?? null
  }
  const shown = (id: LineId) => {
    const line = summary.ledger.find((l) => l.id === id)
    return line ? sayer.figure(value(id), line.unit) : { figure: '–', unit: '' }
  }
  const cash = (amount: number | null) => (amount === null ? '–' : money(amount, site))
  /** Its sign stays on the line of the figure. */
  const percent = (share: number, digits = 1) =>
    sayer.written({ value: share, unit: 'share', digits }).replace(' ', '\u00a0')
  const energy = (id: LineId) => sayer.written({ value: value(id) ?? 0, unit: 'kWh' })
  const [before, after] = [value('bill-now'), value('bill-then')]
  const saved = before !== null && after !== null ? before - after : null
  const doNothing = summary.cash.before.reduce((sum, bill) => sum + bill, 0)
  const paidBack = paidBackShown(data.paidBack ?? [], value('price'), value('net-price'))
  const ways = data.ways ?? []
  const [way, setWay] = useState(ways[0])
  const sections = [...new Set(data.page.sections)]
  const { texts } = data.page
  const ready = useReady(print, sections)
  const of = { sayer, still: print }
  /** Of the way to pay that the customer looks at. */
  const payback = way ? sayer.figure(way.paybackYears, 'years') : shown('payback')
  const irr = way ? sayer.figure(way.irr, 'share') : shown('irr')
  const cumulative = way?.cumulative ?? summary.cash.cumulative
  const parts: Readonly<Record<PageSection, ReactNode>> = {
    letter: <Written text={texts.letter} />,
    roof: (
      <RoofView
        site={data.site}
        standing={data.standing}
        seen={data.page.view}
        moment={data.page.view ?? usualMoment}
        print={print}
        words={words}
        sayer={sayer}
      />
    ),
    summary: (
      <InShort
        sentences={spokenOffer(data, way, sayer)}
        language={sayer.language}
        print={print}
        words={words}
      />
    ),
    figures: (
      <dl
        className={`grid grid-cols-1 gap-x-6 gap-y-3 border-y sm:grid-cols-3 border-line ${print ? 'my-4 py-3' : 'my-6 py-5'}`}
      >
        <Big label={words.savedFirstYear} text={cash(saved)} />
        <Big label={words.paidBackAfter} text={payback.figure} unit={payback.unit} />
        <Big label={words.ownShare} text={shown('self-sufficiency').figure} unit="%" />
      </dl>
    ),
    bill: (
      <section className="mb-6 break-inside-avoid">
        <BillChart {...of} monthly={summary.monthly} height={print ? 185 : 230} />
        <p className="mt-1">
          {sayer.say(words.billText, {
            before: cash(before),
            after: cash(after),
            nothing: cash(doNothing),
            years: data.years,
            growth: percent(data.escalation),
          })}
        </p>
      </section>
    ),
    energy: (
      <section className="mb-6 break-inside-avoid">
        <EnergyChart {...of} monthly={summary.monthly} height={print ? 185 : 230} />
        <p className="mt-1">
          {sayer.say(words.energyText, {
            yield: energy('yield'),
            used: energy('used'),
            sold: energy('sold'),
          })}
        </p>
      </section>
    ),
    ways: way && ways.length > 1 && (
      <Ways
        ways={ways}
        chosen={way}
        onChoose={print ? null : setWay}
        cash={cash}
        words={words}
        sayer={sayer}
      />
    ),
    cash: (
      <section className="mb-6 break-inside-avoid">
        <PaybackChart
          {...of}
          cash={way ?? summary.cash}
          payback={way ? way.paybackYears : value('payback')}
          height={240}
        />
      </section>
    ),
    equipment: (
      <section>
        <h2 className="mb-2 font-display text-[19px]">{words.equipment}</h2>
        <ul>
          {data.equipment.map((item) => (
            <li key={item.typeId} className="flex gap-3 border-t border-line py-1.5">
              <span className="w-8 text-right font-semibold">{item.count} ×</span>
              <span>
                {item.name}
                <span className="quiet block">{factsOf(item, sayer)}</span>
              </span>
            </li>
          ))}
        </ul>
      </section>
    ),
    price: (
      <section>
        <h2 className="mb-2 font-display text-[19px]">{words.price}</h2>
        <dl>
          <Row label={words.installed} value={cash(value('price'))} />
          {paidBack.map(({ name, amount }) => (
            <Row key={name} label={name} value={cash(-amount)} />
          ))}
          {data.incentiveShare !== undefined && (
            <Row
              label={sayer.say(words.incentive, { share: percent(data.incentiveShare, 0) })}
              value={cash((value('net-price') ?? 0) - (value('price') ?? 0))}
            />
          )}
          <Row label={words.youPay} value={cash(value('net-price'))} strong />
          {data.laterIncentives !== undefined && data.laterIncentives !== 0 && (
            <Row label={words.laterIncentives} value={cash(data.laterIncentives)} />
          )}
          <Row
            label={sayer.say(words.cumulative, { years: data.years })}
            value={cash(cumulative.at(-1) ?? 0)}
          />
          <Row label={words.irr} value={`${irr.figure} ${irr.unit}`} />
        </dl>
      </section>
    ),
    environment: data.environment && (
      <Environment data={data.environment} years={data.years} words={words} sayer={sayer} />
    ),
    losses: data.losses && <Losses data={data.losses} words={words} sayer={sayer} />,
    assumptions: data.assumptions && <Assumptions data={data.assumptions} words={words} sayer={sayer} />,
    warranty: <Written title={words.warranty} text={texts.warranty} />,
    terms: <Written title={words.terms} text={texts.terms} />,
    next: <Written title={words.next} text={texts.next} />,
  }
  return (
    <main
      lang={sayer.language}
      style={inItsColour(data.letterhead)}
      className={`offer-page mx-auto text-ink ${print ? 'max-w-none bg-white' : 'max-w-3xl border-line bg-card px-5 py-6 sm:my-6 sm:rounded-xl sm:border sm:px-12 sm:py-10 sm:shadow-sm'}`}
      data-print={ready ? 'ready' : 'drawing'}
      data-paper={paperOf(site.locale)}
    >
      {data.letterhead && <Head letterhead={data.letterhead} words={words} sayer={sayer} />}
      <header className={`flex items-end gap-4 ${print ? 'mb-3' : 'mb-6'}`}>
        <div className="flex-1">
          <p className="quiet">{sayer.say(words.offerFor, { name: data.jobName })}</p>
          <h1 className="font-display text-[26px] leading-tight sm:text-[34px]">{site.address}</h1>
          <p className="mt-1 text-[15px]">{data.optionName}</p>
        </div>
        {!print && (
          <a className="button" href={pdfPath}>
            {words.pdf}
          </a>
        )}
      </header>
      {data.takenAs && data.takenAs.length > 0 && (
        <div className="mb-4">
          <p>{words.takenAs}</p>
          <ul className="ml-5 list-disc">
            {data.takenAs.map(({ name, what, heightM, years }, i) => (
              <li key={i}>
                {sayer.say(words[what], { name, years, height: { value: heightM, unit: 'm', digits: 1 } })}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="grid grid-cols-1 gap-x-8 sm:grid-cols-2">
        {sections.map((section) => (
          <div key={section} className={`min-w-0 ${halves.has(section) ? '' : 'sm:col-span-2'}`}>
            {parts[section]}
          </div>
        ))}
      </div>
      <div className="mt-8">
        <Accepted state={state} words={words} sayer={sayer} timeZone={site.timeZone} />
        {mayAnswer && !state.accepted && (
          <Accept state={state} way={way?.way ?? null} words={words} sayer={sayer} timeZone={site.timeZone} />
        )}
        {mayAnswer && <Ask words={words} />}
      </div>
      <footer className="quiet mt-8 border-t border-line pt-3">
        <p>{words.footer}</p>
        {!print && (
          <p className="mt-1">
            {words.figuresAs}{' '}
            <a className="underline" href={`${figuresPath}?format=csv`}>
              CSV
            </a>
            ,{' '}
            <a className="underline" href={`${figuresPath}?format=json`}>
              JSON
            </a>
          </p>
        )}
        <p className="mt-1 font-mono text-[11px] break-all">
          {sayer.say(words.digest, { digest: state.digest })}
          {data.inputs && ` · ${sayer.say(words.inputs, { digest: data.inputs })}`}
        </p>
      </footer>
    </main>
  )
}

function factsOf({ what, count, size }: Equipment, sayer: Sayer): string {
  const { modules, inverter, optimizer, battery } = proposalWords(sayer.language)
  if (what === 'module')
    return sayer.say(modules, {
      power: { value: size, unit: 'W' },
      total: { value: (count * size) / 1000, unit: 'kW' },
    })
  if (what === 'optimizer') return optimizer
  return what === 'inverter'
    ? sayer.say(inverter, {
        power: size < 1000 ? { value: size, unit: 'W' } : { value: size / 1000, unit: 'kW', digits: 1 },
      })
    : sayer.say(battery, { energy: { value: size, unit: 'kWh', digits: 1 } })
}

function Big({
  label,
  text,
  unit,
}: {
  readonly label: string
  readonly text: string
  readonly unit?: string
}) {
  return (
    <div>
      <dt className="quiet">{label}</dt>
      <dd className="font-display text-[30px]">
        {text} <span className="font-sans text-[14px] text-pencil">{unit}</span>
      </dd>
    </div>
  )
}

function Row({
  label,
  value,
  strong = false,
}: {
  readonly label: string
  readonly value: string
  readonly strong?: boolean
}) {
  return (
    <div className={`flex justify-between border-t border-line py-1.5 ${strong ? 'font-semibold' : ''}`}>
      <dt>{label}</dt>
      <dd>{value}</dd>
    </div>
  )
}

/** Sections that have room beside another. */
const halves: ReadonlySet<PageSection> = new Set(['equipment', 'price'])

/** What the designer has written, in its paragraphs; nothing where that is nothing. */
function Written({ title, text }: { readonly title?: string; readonly text: string }) {
  const paragraphs = text.split(/\n\s*\n/).filter((one) => one.trim() !== '')
  if (paragraphs.length === 0) return null
  return (
    <section className="mb-6">
      {title && <h2 className="mb-2 font-display text-[19px]">{title}</h2>}
      {paragraphs.map((paragraph, k) => (
        <p key={k} className="mb-2 whitespace-pre-line">
          {paragraph}
        </p>
      ))}
    </section>
  )
}

const drawn: readonly PageSection[] = ['bill', 'energy', 'cash']

/** Whether all charts stand on the page: the printer waits for it. */
function useReady(print: boolean, sections: readonly PageSection[]): boolean {
  const [ready, setReady] = useState(false)
  const wanted = drawn.filter((one) => sections.includes(one)).length
  const hasRoof = sections.includes('roof')
  useEffect(() => {
    if (!print) return
    const timer = setInterval(() => {
      const charts = document.querySelectorAll('.apexcharts-svg').length
      const roof = !hasRoof || document.querySelector('[data-roof="drawn"]')
      if (charts >= wanted && roof) {
        clearInterval(timer)
        requestAnimationFrame(() => setReady(true))
      }
    }, 60)
    return () => clearInterval(timer)
  }, [print, wanted, hasRoof])
  return ready
}
