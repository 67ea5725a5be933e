/** Where an offer was, in the languages of those who may have got it. */
export function Withdrawn() {
  return (
    <main className="mx-auto max-w-lg px-6 py-20">
      <h1 className="font-display text-[24px]">This offer is no longer valid.</h1>
      <p className="mt-2 text-pencil">Ask whoever sent it for the present one.</p>
      <div lang="es" className="mt-8">
        <h2 className="font-display text-[20px]">Esta oferta ya no es válida.</h2>
        <p className="mt-2 text-pencil">Pida la actual a quien se la envió.</p>
      </div>
    </main>
  )
}
