/** A MariaDB of our own in a folder, on loopback only. */
export class PrivateDatabase {
  constructor(folder: string, options?: { readonly quiet?: boolean })
  /** @returns its address */
  start(): Promise<string>
  stop(): Promise<void>
}
