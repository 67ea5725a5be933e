import { type MeshLambertMaterial } from 'three'
import { Light } from './light'
import { Paints } from './paints'

test('one paint for one colour, kept from picture to picture', () => {
  const paints = new Paints(new Light())
  expect(paints.card('#ff0000')).toBe(paints.card('#ff0000'))
  expect(paints.card('#ff0000')).not.toBe(paints.card('#ff0000', 0.4))
  expect(paints.card('#ff0000')).not.toBe(paints.leaf('#ff0000', '#000000'))
  expect(paints.ink()).toBe(paints.ink())
  const glaze = paints.card('#ff0000', 0.4) as MeshLambertMaterial
  expect([glaze.transparent, glaze.opacity, glaze.color.getHexString()]).toEqual([true, 0.4, 'ff0000'])
})

test('those not used for longest go first when there are too many; those in use stay', () => {
  const paints = new Paints(new Light())
  const gone: string[] = []
  const paint = (k: number) => {
    const colour = `rgb(${k % 256}, ${Math.floor(k / 256)}, 0)`
    return { colour, material: paints.card(colour) }
  }
  const kept = paint(0)
  for (let k = 1; k < 400; k++) {
    const { colour, material } = paint(k)
    material.addEventListener('dispose', () => gone.push(colour))
    paint(0)
  }
  paints.tidy()
  expect(gone).toHaveLength(400 - 240)
  expect(gone[0]).toBe('rgb(1, 0, 0)')
  expect(paint(0).material).toBe(kept.material)
  paints.dispose()
  expect(gone).toHaveLength(399)
})
