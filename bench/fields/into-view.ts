/** For what is asked or said: it is seen, however far down its chapter it stands. */
export const intoView = (element: Element | null) => element?.scrollIntoView({ block: 'nearest' })
