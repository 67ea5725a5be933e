'use client'

import { tariffThenId, type Tariff } from '@/core/kinds/tariff/tariff'
import { parseNumber } from '@/core/model/numbers'
import { later } from '@/words/en/later'
import { entered, moneySign, monthNames } from '@/words/format'
import { useBench, useSayer, useSite } from '../context'
import { ChoiceField } from '../fields/fields'
import { lineButton } from '../fields/file-button'
import { TextField } from '../fields/text-field'
import { houseId } from '../store/documents'
import { ExportBoard } from './export-board'

const words = later.tariff
type Choice = keyof typeof words.exportKinds
type Form = Tariff['exports']

const choiceOf = (form: Form): Choice =>
  form.kind === 'net-metering' ? (form.settle === 'month' ? 'net-month' : 'net-year') : form.kind

/** What a way to pay for exports begins with. */
function formOf(choice: Choice, tariff: Tariff): Form {
  switch (choice) {
    case 'net-billing':
    case 'none':
      return { kind: choice }
    case 'net-month':
    case 'net-year':
      return {
        kind: 'net-metering',
        settle: choice === 'net-month' ? 'month' : 'year',
        settleMonth: 12,
        surplusPerKwh: tariff.exportPerKwh,
      }
    case 'feed-in':
      return { kind: 'feed-in', perKwh: tariff.exportPerKwh }
  }
}

/** What becomes of energy that goes out; it matters with solar alone. */
export function Exports({ tariff }: { readonly tariff: Tariff }) {
  const { documents } = useBench()
  const site = useSite()
  const sayer = useSayer()
  if (tariff.id !== tariffThenId) return <div className="hidden md:block" />
  const { exports: form } = tariff
  const unit = `${moneySign(site)}/kWh`
  const set = (exports: Form) => documents.set(words.exports, houseId, tariff.id, { exports })
  const price = (text: string) => parseNumber(text, site.locale)
  return (
    <section>
      <h3 className="mb-1 font-semibold">{words.exports}</h3>
      <ChoiceField
        label={words.exports}
        value={choiceOf(form)}
        wide
        choices={(Object.keys(words.exportKinds) as Choice[]).map((value) => ({
          value,
          label: words.exportKinds[value],
        }))}
        onChoose={(choice: Choice) => {
          if (choice !== choiceOf(form)) set(formOf(choice, tariff))
        }}
      />
      {form.kind === 'net-billing' && (form.board ?? form.intervals) && (
        <>
          <p className="quiet mt-1">
            {words.hourly}{' '}
            <button
              type="button"
              className={lineButton}
              onClick={() => {
                const { board: _board, intervals: _intervals, ...without } = form
                set(without)
              }}
            >
              {words.dropHourly}
            </button>
          </p>
          <ExportBoard tariff={tariff} />
        </>
      )}
      {form.kind === 'net-metering' && (
        <>
          {form.settle === 'year' && (
            <ChoiceField
              label={words.settleMonth}
              value={String(form.settleMonth)}
              choices={monthNames(sayer.place.locale).map((label, k) => ({ value: String(k + 1), label }))}
              onChoose={(month) => set({ ...form, settleMonth: Number(month) })}
            />
          )}
          <TextField
            label={words.surplus}
            unit={unit}
            shown={entered(form.surplusPerKwh, site, 3)}
            onType={(text) => set({ ...form, surplusPerKwh: price(text) })}
          />
        </>
      )}
      {form.kind === 'feed-in' && (
        <TextField
          label={words.feedIn}
          unit={unit}
          shown={entered(form.perKwh, site, 3)}
          onType={(text) => set({ ...form, perKwh: price(text) })}
        />
      )}
      {(form.kind === 'feed-in' || form.kind === 'net-billing') && (
        <TextField
          label={words.cap}
          unit="kWh"
          hint={words.capHint}
          shown={form.capKwhPerYear === undefined ? '' : entered(form.capKwhPerYear, site)}
          onType={(text) => {
            const { capKwhPerYear: _before, ...without } = form
            return set(text.trim() === '' ? without : { ...form, capKwhPerYear: price(text) })
          }}
        />
      )}
    </section>
  )
}
