/** Long work as an owner reads of it. */
export const workNames: Readonly<Record<'figures' | 'offer' | 'pdf' | 'job' | 'weather', string>> = {
  figures: 'Figures of a job in the list',
  offer: 'An offer to be sent',
  pdf: 'An offer as PDF',
  job: 'A job’s file to be imported',
  weather: 'A weather file to be imported',
}

/** Why work was set aside. */
export const asideReasons: Readonly<Record<'failed' | 'lost', (attempts: number) => string>> = {
  failed: (attempts) => `failed ${attempts} times`,
  lost: (attempts) => `ended its worker ${attempts - 1} times`,
}
