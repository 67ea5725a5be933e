import { deviceText } from './when'

test('a browser is told by two words, and one that nobody knows by what it says', () => {
  const says =
    'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36'
  expect(deviceText(says)).toBe('Chromium on Linux')
  expect(deviceText(`${says} Edg/140.0`)).toBe('Edge on Linux')
  expect(
    deviceText(
      'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Mobile/15E148 Safari/604.1',
    ),
  ).toBe('Safari on iOS')
  expect(deviceText('Mozilla/5.0 (Windows NT 10.0; rv:130.0) Gecko/20100101 Firefox/130.0')).toBe(
    'Firefox on Windows',
  )
  expect(deviceText('a script of mine')).toBe('a script of mine')
  expect(deviceText('')).toBe('Unknown device')
})
