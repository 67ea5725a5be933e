'use client'

import { modulesFor } from '@/core/stages/world'
import { theOne } from '@/core/kinds/documents'
import { coverId } from '@/core/kinds/cover/cover'
import { electricalId } from '@/core/kinds/electrical/electrical'
import { settledLosses } from '@/core/kinds/losses/first-year'
import { lossesId, mostOtherLosses, type Losses } from '@/core/kinds/losses/losses'
import { parseNumber, parsePercent } from '@/core/model/numbers'
import { useBench, useHouse, useNumbers, useOption, useSession, useSite } from '../../context'
import { ChoiceField, OptionalPercentField, PercentField } from '../../fields/fields'
import { MonthsField } from '../../fields/months-field'
import { TextField } from '../../fields/text-field'
import { later } from '@/words/en/later'
import { number } from '@/words/format'

const byModule = ['lightInduced', 'nameplate'] as const
const losses = ['wiring', 'connections', 'availability'] as const

/** The inverter, the strings with their volts, and the entered losses. */
export function WireChapter() {
  const { documents, catalogue, session } = useBench()
  const option = useOption()
  const site = useSite()
  const optionId = useSession((s) => s.optionId)
  const { numbers, fresh } = useNumbers()
  const electrical = theOne(option, 'electrical', electricalId)
  const entered = theOne(option, 'losses', lossesId)
  const inverter = catalogue.inverters.find((i) => i.id === electrical.inverterId)
  const module = modulesFor({ house: useHouse(), catalogue }).find(
    (m) => m.id === theOne(option, 'cover', coverId).moduleId,
  )
  const summary = numbers?.summary
  const clipping = summary?.ledger.find((line) => line.id === 'clipping')?.value ?? 0
  return (
    <>
      <ChoiceField
        label={later.fields.electrical.inverterId}
        value={electrical.inverterId}
        choices={catalogue.inverters
          .toSorted((a, b) => a.acPowerW - b.acPowerW)
          .map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(inverterId) => documents.set('Inverter', optionId, electricalId, { inverterId })}
      />
      <button
        type="button"
        className="mb-1 block cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() => session.setState({ dialog: 'inverters' })}
      >
        {later.inverters.open}
      </button>
      {inverter && summary && (
        <dl className={fresh ? '' : 'opacity-60'}>
          <Row label="AC power" value={`${number(inverter.acPowerW / 1000, site, 2)} kW`} />
          <Row
            label="DC/AC ratio"
            value={number(summary.powerW / inverter.acPowerW, site, 2)}
            limit={`≤ ${number(inverter.highestDcAc, site, 2)}`}
          />
          <Row label="Clipping" value={`${number(Math.abs(clipping), site)} kWh`} />
          <Row label="String length" value={`${summary.window.fewest} to ${summary.window.most}`} />
          {module && (
            <Row
              label="MPP voltage, cold"
              value={`${number(summary.window.most * summary.window.coldVmpV, site)} V`}
              limit={`≤ ${inverter.mppHighV} V`}
            />
          )}
          {module && (
            <Row
              label="Current"
              value={`${number(module.iscA, site, 1)} A`}
              limit={`≤ ${inverter.inputCurrentA} A`}
            />
          )}
        </dl>
      )}
      <TextField
        label={later.fields.electrical.modulesPerString}
        shown={electrical.modulesPerString === null ? 'automatic' : String(electrical.modulesPerString)}
        width="length"
        hint="automatic, or a number"
        onType={(text) =>
          documents.set('Modules per string', optionId, electricalId, {
            modulesPerString: /^\s*(auto.*|)\s*$/i.test(text) ? null : parseNumber(text, site.locale),
          })
        }
      />
      <h3 className="quiet mt-2">
        Strings: cold Voc (≤ {inverter?.highestV} V), hot Vmp (≥ {inverter?.mppLowV} V)
      </h3>
      {summary && summary.strings.length === 0 && <p className="quiet">Lay modules first.</p>}
      <ul className={fresh ? '' : 'opacity-60'}>
        {summary?.strings.map((string) => (
          <li key={string.id}>
            <button
              type="button"
              className="flex w-full cursor-pointer items-baseline gap-2 rounded px-2 py-0.5 text-left hover:bg-fold"
              onMouseEnter={() => session.setState({ lit: string.panelIds })}
              onMouseLeave={() => session.setState({ lit: [] })}
              onFocus={() => session.setState({ lit: string.panelIds })}
              onBlur={() => session.setState({ lit: [] })}
            >
              <span className="font-medium">{string.id}</span>
              <span className="quiet flex-1">
                {string.panelIds.length}, {string.input < 0 ? 'no input' : `input ${string.input + 1}`}
              </span>
              <span className={inverter && string.coldV > inverter.highestV ? 'text-clay' : ''}>
                {number(string.coldV, site)} V
              </span>
              <span className={inverter && string.hotV < inverter.mppLowV ? 'text-clay' : 'text-pencil'}>
                {number(string.hotV, site)} V
              </span>
            </button>
          </li>
        ))}
      </ul>
      {(['parts', 'diagram'] as const).map((dialog) => (
        <button
          key={dialog}
          type="button"
          className="mt-0.5 block cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => session.setState({ dialog })}
        >
          {later[dialog].open}
        </button>
      ))}
      <h3 className="quiet mt-2">Entered losses</h3>
      <MonthsField
        label={later.fields.losses.soiling}
        name={later.fields.losses.soiling}
        values={entered.soiling}
        unit="%"
        times={100}
        digits={1}
        onSet={(soiling) => documents.set('Soiling', optionId, lossesId, { soiling })}
      />
      {summary?.snowComputed ? (
        <p className="quiet mb-1">Snow is computed from the station’s snow depth.</p>
      ) : (
        <MonthsField
          label={later.fields.losses.snow}
          name={later.fields.losses.snow}
          values={entered.snow}
          unit="%"
          times={100}
          digits={1}
          onSet={(snow) => documents.set('Snow', optionId, lossesId, { snow })}
        />
      )}
      {module &&
        byModule.map((key) => (
          <OptionalPercentField
            key={key}
            label={later.fields.losses[key]}
            name={later.fields.losses[key]}
            documentId={optionId}
            objectId={lossesId}
            value={entered[key]}
            usual={settledLosses({ ...entered, [key]: null }, module)[key]}
            hint="Empty: by the module’s cells and tolerance"
            fields={(share) => ({ [key]: share })}
          />
        ))}
      {losses.map((key) => (
        <PercentField
          key={key}
          label={later.fields.losses[key]}
          name={later.fields.losses[key]}
          documentId={optionId}
          objectId={lossesId}
          value={entered[key]}
          fields={(share) => ({ [key]: share })}
        />
      ))}
      <OtherLosses entered={entered} />
      <p className="quiet mt-1">
        Defaults: Dobos 2014 (NREL/TP-6A20-62641), table 5; light-induced and nameplate losses follow the
        module until you type them. Shade, mismatch, reflection, low light, heat and clipping are computed,
        not entered.
      </p>
    </>
  )
}

/** Losses of the designer's own, each with its name. */
function OtherLosses({ entered }: { readonly entered: Losses }) {
  const { documents } = useBench()
  const optionId = useSession((s) => s.optionId)
  const site = useSite()
  const set = (label: string, other: Losses['other']) => documents.set(label, optionId, lossesId, { other })
  const changed = (k: number, fields: Partial<Losses['other'][number]>) =>
    entered.other.map((loss, i) => (i === k ? { ...loss, ...fields } : loss))
  return (
    <>
      {entered.other.map((loss, k) => (
        <div key={k} className="flex items-center gap-1">
          <input
            aria-label={`Name of loss ${k + 1}`}
            className="field flex-1"
            defaultValue={loss.name}
            onKeyDown={(event) => event.stopPropagation()}
            onBlur={(event) => {
              const name = event.target.value.trim()
              if (name !== '' && name !== loss.name) set('Name of a loss', changed(k, { name }))
              else event.target.value = loss.name
            }}
          />
          <TextField
            label={<span className="sr-only">{loss.name}</span>}
            shown={number(loss.share * 100, site, 1).replace('−', '-')}
            unit="%"
            width="short"
            onType={(text) => set(loss.name, changed(k, { share: parsePercent(text, site.locale) }))}
          />
          <button
            type="button"
            aria-label={`Remove ${loss.name}`}
            className="cursor-pointer px-1 text-pencil hover:text-ink"
            onClick={() =>
              set(
                'Remove a loss',
                entered.other.filter((_, i) => i !== k),
              )
            }
          >
            ×
          </button>
        </div>
      ))}
      {entered.other.length < mostOtherLosses && (
        <button
          type="button"
          className="mt-0.5 cursor-pointer text-[12px] text-verdigris hover:underline"
          onClick={() => set('Add a loss', [...entered.other, { name: 'Other loss', share: 0.01 }])}
        >
          Add another loss
        </button>
      )}
    </>
  )
}

function Row({
  label,
  value,
  limit,
}: {
  readonly label: string
  readonly value: string
  readonly limit?: string
}) {
  return (
    <div className="flex items-baseline gap-2 py-0.5">
      <dt className="flex-1 text-pencil">{label}</dt>
      <dd className="font-semibold">{value}</dd>
      {limit && <dd className="quiet">{limit}</dd>}
    </div>
  )
}
