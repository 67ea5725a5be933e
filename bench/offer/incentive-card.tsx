'use client'

import { type Incentive } from '@/core/kinds/offer/offer'
import { type Fault } from '@/core/model/fault'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered } from '@/words/format'
import { useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { RemoveButton } from '../fields/remove-button'
import { TextField } from '../fields/text-field'
import { Count, Money, MoneyOrNone, Percent, percentOf } from './typed'

const words = later.money
type Kind = Incentive['kind']
type Of<K extends Kind> = Extract<Incentive, { kind: K }>

/** What one of a kind begins with. */
const begun: { readonly [K in Kind]: Omit<Of<K>, 'name'> } = {
  share: { kind: 'share', share: 0.1, of: 'all', cap: null, taxed: false },
  'per-kw': { kind: 'per-kw', perKw: 100, cap: null, taxed: false },
  fixed: { kind: 'fixed', amount: 500, taxed: false },
  'tax-credit': { kind: 'tax-credit', share: 0.1, of: 'all', cap: null, taxPerYear: null, years: 5 },
  'per-kwh': { kind: 'per-kwh', perKwh: 0.03, growth: 0, years: 10, taxed: true },
  certificates: { kind: 'certificates', perMwh: [50, 45, 40, 35, 30], taxed: true },
  depreciation: { kind: 'depreciation', shares: [0.2, 0.2, 0.2, 0.2, 0.2] },
}
const kinds = Object.keys(begun) as Kind[]

interface Props<I> {
  readonly incentive: I
  readonly onChange: (incentive: Incentive) => Fault | null
}

/** One incentive with what its kind asks. */
export function IncentiveCard({
  incentive,
  onChange,
  onRemove,
}: Props<Incentive> & { readonly onRemove: () => void }) {
  const { name, kind } = incentive
  return (
    <fieldset className="mb-1 rounded-md border border-line px-2 pb-1">
      <legend className="px-1 text-[12px] text-pencil">
        {name}
        <RemoveButton name={name} onRemove={onRemove} />
      </legend>
      <TextField
        label={words.name}
        width="name"
        shown={name}
        onType={(text) => onChange({ ...incentive, name: text })}
      />
      <ChoiceField
        label={words.kind}
        value={kind}
        wide
        choices={kinds.map((value) => ({ value, label: words.kinds[value] }))}
        onChoose={(next) => onChange({ ...begun[next], name })}
      />
      <Terms incentive={incentive} onChange={onChange} />
      {'taxed' in incentive && (
        <label className="flex items-center gap-2 py-0.5 text-pencil">
          <input
            type="checkbox"
            checked={incentive.taxed}
            onChange={({ target }) => onChange({ ...incentive, taxed: target.checked })}
          />
          {words.taxed}
        </label>
      )}
    </fieldset>
  )
}

function Terms({ incentive, onChange }: Props<Incentive>) {
  switch (incentive.kind) {
    case 'share':
      return <ShareTerms incentive={incentive} onChange={onChange} />
    case 'tax-credit':
      return (
        <>
          <ShareTerms incentive={incentive} onChange={onChange} />
          <MoneyOrNone
            label={words.taxPerYear}
            hint={words.taxPerYearHint}
            value={incentive.taxPerYear}
            onSet={(taxPerYear) => onChange({ ...incentive, taxPerYear })}
          />
          <Count
            label={words.carried}
            unit={words.years}
            value={incentive.years}
            onSet={(years) => onChange({ ...incentive, years })}
          />
        </>
      )
    case 'per-kw':
      return (
        <>
          <Money
            label={words.perKw}
            value={incentive.perKw}
            onSet={(perKw) => onChange({ ...incentive, perKw })}
          />
          <MoneyOrNone
            label={words.cap}
            hint={words.capHint}
            value={incentive.cap}
            onSet={(cap) => onChange({ ...incentive, cap })}
          />
        </>
      )
    case 'fixed':
      return (
        <Money
          label={words.amount}
          value={incentive.amount}
          onSet={(amount) => onChange({ ...incentive, amount })}
        />
      )
    case 'per-kwh':
      return (
        <>
          <Money
            label={words.perKwh}
            digits={3}
            value={incentive.perKwh}
            onSet={(perKwh) => onChange({ ...incentive, perKwh })}
          />
          <Percent
            label={words.growth}
            value={incentive.growth}
            onSet={(growth) => onChange({ ...incentive, growth })}
          />
          <Count
            label={words.paidFor}
            unit={words.years}
            value={incentive.years}
            onSet={(years) => onChange({ ...incentive, years })}
          />
        </>
      )
    case 'certificates':
      return (
        <Years
          label={words.perMwh}
          values={incentive.perMwh}
          onSet={(perMwh) => onChange({ ...incentive, perMwh })}
        />
      )
    case 'depreciation':
      return (
        <Years
          label={words.shares}
          values={incentive.shares}
          percent
          onSet={(shares) => onChange({ ...incentive, shares })}
        />
      )
  }
}

function ShareTerms({ incentive, onChange }: Props<Of<'share'> | Of<'tax-credit'>>) {
  return (
    <>
      <Percent
        label={words.share}
        value={incentive.share}
        onSet={(share) => onChange({ ...incentive, share })}
      />
      <ChoiceField
        label={words.of}
        value={incentive.of}
        wide={false}
        choices={(['all', 'solar', 'battery'] as const).map((value) => ({
          value,
          label: words.parts[value],
        }))}
        onChoose={(of) => onChange({ ...incentive, of })}
      />
      <MoneyOrNone
        label={words.cap}
        hint={words.capHint}
        value={incentive.cap}
        onSet={(cap) => onChange({ ...incentive, cap })}
      />
    </>
  )
}

/** A figure for each year, with spaces between. */
function Years({
  label,
  values,
  percent = false,
  onSet,
}: {
  readonly label: string
  readonly values: readonly number[]
  readonly percent?: boolean
  readonly onSet: (values: number[]) => Fault | null
}) {
  const site = useSite()
  const read = percent ? parsePercent : parseNumber
  return (
    <TextField
      label={label}
      width="name"
      hint={words.perMwhHint}
      shown={values.map((value) => entered(percent ? percentOf(value) : value, site, 1)).join('  ')}
      onType={(text) =>
        onSet(
          text
            // A blank that stands between thousands is another one.
            .split(/[ ;\t]+/)
            .filter((one) => one !== '')
            .map((one) => read(one, site.locale)),
        )
      }
    />
  )
}
