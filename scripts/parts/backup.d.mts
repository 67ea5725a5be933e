/** What is wrong with a backup or its place. */
export class BackupFault extends Error {}

/** What a backup says of itself. */
export interface BackupHead {
  readonly version: number
  readonly takenAt: string
  readonly migrations: readonly string[]
  readonly sessionSecret?: string
}

/** Asks a server whether it takes what a checked backup has. @throws BackupFault */
export function checkRoom(url: string, backup: { readonly longestStatement: number }): Promise<void>

/** Writes all that a database holds at this moment. @returns its digest */
export function backUp(
  url: string,
  file: string,
  extra?: { readonly sessionSecret?: string },
): Promise<string>

/** Reads a backup through. @throws BackupFault */
export function checkBackup(
  file: string,
  known: readonly string[],
): Promise<BackupHead & { readonly longestStatement: number }>

/** Puts a checked backup in the place of what a database holds. @returns its digest. @throws BackupFault */
export function restore(url: string, file: string): Promise<string>

/** The digest of all that a database holds. */
export function digestOfDatabase(url: string): Promise<string>

/** Takes all tables of a database away. */
export function empty(url: string): Promise<void>

export function countJobs(url: string): Promise<number>
