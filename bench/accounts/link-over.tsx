import { Frame } from './frame'

/** A link that leads nowhere any more. */
export const LinkOver = () => (
  <Frame title="This link leads nowhere.">
    <p className="mb-4">It was used, was withdrawn, or is too old. Ask for a new one.</p>
    <a href="/sign-in" className="button">
      Sign in
    </a>
  </Frame>
)
