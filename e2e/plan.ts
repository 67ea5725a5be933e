import { type Page } from '@playwright/test'
import { stage } from './bench'

/** Pixels of the canvas for metres of ground in plan: the site is in the middle when nothing is drawn. */
export async function plan(page: Page) {
  const box = await stage(page).boundingBox()
  if (!box) throw new Error('the stage is on the screen')
  const perMetre = box.height / (2 * 24 * 1.15)
  return (x: number, y: number) => ({
    x: box.x + box.width / 2 + x * perMetre,
    y: box.y + box.height / 2 - y * perMetre,
  })
}

/** Clicks at metres of ground in plan. */
export async function clickingInPlan(page: Page) {
  const at = await plan(page)
  return async (x: number, y: number) => {
    const { x: px, y: py } = at(x, y)
    await page.mouse.move(px, py, { steps: 2 })
    await page.mouse.click(px, py)
  }
}
