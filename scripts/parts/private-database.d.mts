/** A MariaDB of our own in a folder, on loopback only. */
export class PrivateDatabase {
  constructor(folder: string, options?: { readonly quiet?: boolean })
  /** @returns its address */
  start(): Promise<string>
  stop(): Promise<void>
  /** Comes back at the same address. */
  restart(): Promise<void>
  /** As a machine that hangs, until `thaw`. */
  freeze(): void
  thaw(): void
  setReadOnly(readOnly: boolean): void
}

/** A port of loopback that is free now; the wanted one when it can be had. */
export function freePort(wanted: number): Promise<number>
