'use client'

import { theOne } from '@/core/kinds/documents'
import { fadeOf, usualFade } from '@/core/battery/fade'
import { suitingBatteries } from '@/core/electrical/battery-port'
import { type BatteryType } from '@/core/electrical/catalogue'
import { batteryRules, storageId } from '@/core/kinds/storage/storage'
import { useBench, useCatalogue, useOption, useSayer, useSession, useSite } from '../../context'
import { ChoiceField, NumberField, PercentField } from '../../fields/fields'
import { useInverterHere } from '../../inverter-here'
import { later } from '@/words/en/later'
import { number } from '@/words/format'

const words = later.battery

/** Sheets tell the cycles until this much is lost. */
const toldLoss = 0.3

/** One battery of the catalogue, and how it is run. */
export function StoreChapter() {
  const { documents, session } = useBench()
  const catalogue = useCatalogue()
  const option = useOption()
  const site = useSite()
  const sayer = useSayer()
  const optionId = useSession((s) => s.optionId)
  const storage = theOne(option, 'storage', storageId)
  const battery = catalogue.batteries.find((b) => b.id === storage.batteryId)
  const inverter = useInverterHere()
  const suiting = suitingBatteries(catalogue.batteries, inverter ?? {})
  const unsuited = catalogue.batteries.length - suiting.length
  const listed = battery && !suiting.includes(battery) ? [battery, ...suiting] : suiting
  const fields = later.fields.storage
  const of = { documentId: optionId, objectId: storageId }
  /** What its sheet says of that. */
  const ageing = (sheet: BatteryType) => {
    const fade = fadeOf(null, sheet)
    const { perYear, perCycle } = fade
    const by = fade === usualFade ? 'usual' : perCycle === 0 ? 'year' : perYear === 0 ? 'cycle' : 'both'
    return sayer.say(words.fades[by], {
      year: { value: perYear, unit: 'share', digits: 1 },
      lost: { value: toldLoss, unit: 'share', digits: 0 },
      // To two figures, as sheets tell it.
      cycles: Number((Math.log(1 - toldLoss) / Math.log(1 - perCycle)).toPrecision(2)),
    })
  }
  return (
    <>
      <ChoiceField
        label={fields.batteryId}
        value={storage.batteryId ?? 'none'}
        choices={[{ value: 'none', label: 'none' }, ...listed.map((b) => ({ value: b.id, label: b.name }))]}
        onChoose={(value) =>
          documents.set('Battery', optionId, storageId, { batteryId: value === 'none' ? null : value })
        }
      />
      {unsuited > 0 && (
        <p className="quiet">
          {sayer.say(words.unsuited, {
            count: unsuited,
            inverter: inverter?.name ?? '',
            port: inverter?.batteryPort ? 'yes' : 'no',
          })}
        </p>
      )}
      <button
        type="button"
        className="mb-1 block cursor-pointer text-[12px] text-verdigris hover:underline"
        onClick={() => session.setState({ dialog: 'devices' })}
      >
        {later.devices.openBatteries}
      </button>
      {battery ? (
        <>
          <p className="quiet">
            {number(battery.usableKwh, site, 1)} kWh usable, {number(battery.chargeKw, site, 1)} kW charge,{' '}
            {number(battery.dischargeKw, site, 1)} kW discharge, {number(battery.efficiency * 100, site, 1)} %
            efficiency each way, {number(battery.standbyW, site)} W standby
            {battery.dcSide ? `, ${words.onDcSide}` : ''}. {ageing(battery)}.
          </p>
          <NumberField
            {...of}
            label={fields.count}
            name="Batteries"
            unit=""
            value={storage.count}
            fields={(count) => ({ count })}
          />
          <PercentField
            {...of}
            digits={0}
            label={fields.reserve}
            name="Reserve"
            value={storage.reserve}
            fields={(reserve) => ({ reserve })}
          />
          <ChoiceField
            label={fields.rule}
            value={storage.rule}
            wide
            choices={batteryRules.map((value) => ({ value, label: words.rules[value] }))}
            onChoose={(rule) => documents.set('Battery rule', optionId, storageId, { rule })}
          />
          {storage.rule !== 'own-use' && (
            <ChoiceField
              label={fields.gridCharging}
              value={storage.gridCharging ? 'yes' : 'no'}
              wide={false}
              choices={[
                { value: 'no', label: words.mayNot },
                { value: 'yes', label: words.mayCharge },
              ]}
              onChoose={(choice) =>
                documents.set('Charging from the grid', optionId, storageId, {
                  gridCharging: choice === 'yes',
                })
              }
            />
          )}
          <p className="quiet mt-1">{words.ruleNotes[storage.rule]}</p>
        </>
      ) : (
        <p className="quiet mt-1">
          Without a battery, everything that is not used at once is sold. Choose one to see its effect on the
          bill.
        </p>
      )}
    </>
  )
}
