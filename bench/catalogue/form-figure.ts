/** A figure as a form takes it again: every digit that counts, however small it is. */
export const formFigure = (value: number, locale: string): string =>
  new Intl.NumberFormat(locale, { maximumSignificantDigits: 10 }).format(value).replace('-', '−')
