export default function NotFound() {
  return (
    <main className="mx-auto max-w-lg px-6 py-20">
      <h1 className="font-display text-[24px]">There is nothing here.</h1>
      <p className="mt-2 text-pencil">The job may have been deleted, or the link was cut short.</p>
      {/* eslint-disable-next-line @next/next/no-html-link-for-pages -- Every page loads this one with it: the router's link would come twice. */}
      <a href="/" className="button mt-4">
        All jobs
      </a>
    </main>
  )
}
