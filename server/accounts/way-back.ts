const ours = /^\/(?:jobs\/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}|account|team|letterhead|dashboard)?$/

/** Where somebody goes on who was sent to sign in: pages of ours alone, else the start page. */
export const wayBack = (to: string | string[] | null | undefined): string =>
  typeof to === 'string' && ours.test(to) ? to : '/'
