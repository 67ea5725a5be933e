/** Who sells parts around a town. */
const distributors: Readonly<Record<string, readonly { readonly name: string; readonly mail: string }[]>> = {
  pellworth: [
    { name: 'Harbour Electrical Supply', mail: 'quotes@harbour-supply.example' },
    { name: 'Brightwater Trade Counter', mail: 'trade@brightwater.example' },
  ],
  tarrowee: [{ name: 'Ranges Solar Wholesale', mail: 'prices@ranges-wholesale.example' }],
  valdecorva: [{ name: 'Suministros del Valle', mail: 'ofertas@suministros-valle.example' }],
}

/** Those of a town; none for one that is not there. */
export const distributorsIn = (townId: string) => distributors[townId] ?? []
