import { defaultSite } from '@/core/kinds/site/site'
import { Fault } from '@/core/model/fault'
import { exportLimitFrom, exportLimitText } from './export-limit'

const site = (fields: object, locale = 'en-US') => ({ ...defaultSite, locale, ...fields })

test('a limit is typed as a power, a share, both or none, and comes back as it is shown', () => {
  expect(exportLimitFrom(' 5 ', 'en-US')).toEqual({ exportLimitKw: 5, exportLimitShare: null })
  expect(exportLimitFrom('4,6 kW', 'es-ES')).toEqual({ exportLimitKw: 4.6, exportLimitShare: null })
  expect(exportLimitFrom('60%', 'en-US')).toEqual({ exportLimitKw: null, exportLimitShare: 0.6 })
  expect(exportLimitFrom('70 % / 10', 'en-US')).toEqual({ exportLimitKw: 10, exportLimitShare: 0.7 })
  for (const none of ['', 'none', ' - '])
    expect(exportLimitFrom(none, 'en-US')).toEqual({ exportLimitKw: null, exportLimitShare: null })
  for (const locale of ['en-US', 'es-ES'])
    for (const exportLimitKw of [null, 0, 4.25, 1000])
      for (const exportLimitShare of [null, 0, 0.6, 0.705]) {
        const read = exportLimitFrom(
          exportLimitText(site({ exportLimitKw, exportLimitShare }, locale)),
          locale,
        )
        expect(read.exportLimitKw).toBe(exportLimitKw)
        if (exportLimitShare === null) expect(read.exportLimitShare).toBeNull()
        else expect(read.exportLimitShare).toBeCloseTo(exportLimitShare, 12)
      }
})

test('what is no number is told', () => {
  for (const text of ['much', '% 60 %', '5 / lots', '5 / 3', '5 % / 6 %'])
    expect(() => exportLimitFrom(text, 'en-US')).toThrow(Fault)
})
