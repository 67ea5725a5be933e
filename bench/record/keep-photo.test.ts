import { captionOf } from './keep-photo'

test.each([
  ['IMG_20260309_101512.jpg', ''],
  ['DSC0042.JPG', ''],
  ['20260309.png', ''],
  ['photo (1).jpg', ''],
  ['main panel_2.jpeg', 'main panel 2'],
  ['Chimney.from.below.jpg', 'Chimney.from.below'],
  ['.jpg', ''],
])('of the name %s a caption is made: %s', (name, caption) => {
  expect(captionOf(name)).toBe(caption)
})
