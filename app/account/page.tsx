import { type Metadata } from 'next'
import { renderSVG } from 'uqr'
import { AccountForm } from '@/bench/accounts/account-form'
import { newPasswordField, passwordField } from '@/bench/accounts/fields'
import { Frame, Part } from '@/bench/accounts/frame'
import { SecondFactor } from '@/bench/accounts/second-factor'
import { SignIns } from '@/bench/accounts/sign-ins'
import { SignOut } from '@/bench/accounts/sign-out'
import { deviceText, whenText } from '@/bench/accounts/when'
import { codeAddress, newCodeKey } from '@/server/accounts/codes'
import { openMemberPage } from '@/server/open-page'
import { signInOf } from '@/server/session'
import { countSpareCodes, maybeOneAccount } from '@/server/sql/accounts'
import { manySignIns } from '@/server/sql/sign-ins'

export const dynamic = 'force-dynamic'

export const metadata: Metadata = { title: 'Account · Tall Gable' }

export default async function AccountPage() {
  const who = await openMemberPage('GET /account', '/account')
  const [account, signIns, here, spareLeft] = await Promise.all([
    maybeOneAccount(who.id),
    manySignIns(who.id),
    signInOf(),
    countSpareCodes(who.id),
  ])
  const mail = account?.mail ?? ''
  const key = newCodeKey()
  const square = `data:image/svg+xml,${encodeURIComponent(renderSVG(codeAddress(key, mail), { border: 2 }))}`
  return (
    <Frame title={who.name} isWide isSignedIn>
      <p className="-mt-4 mb-6 text-pencil">{mail}</p>
      <Part title="Name" about="It stands with what you edit and say, for the team to see.">
        <div className="max-w-sm">
          <AccountForm
            url="/api/account"
            method="PATCH"
            submit="Keep name"
            said="Kept."
            fields={[
              { name: 'name', label: 'Name', type: 'text', autoComplete: 'name', most: 80, value: who.name },
            ]}
          />
        </div>
      </Part>
      <Part title="Password" about="A new one ends every other sign-in.">
        <div className="max-w-sm">
          <AccountForm
            url="/api/account/password"
            submit="Change password"
            said="The new password holds."
            fields={[passwordField, newPasswordField('next')]}
          />
        </div>
      </Part>
      <Part
        title="Second factor"
        about="A code from an authenticator besides the password: who knows one has not got the other."
      >
        <SecondFactor
          isOn={(account?.codeKey ?? null) !== null}
          spareLeft={spareLeft}
          codeKey={key}
          picture={
            // eslint-disable-next-line @next/next/no-img-element -- It is in the page already.
            <img src={square} width={168} height={168} alt="Square that an authenticator reads" />
          }
        />
      </Part>
      <Part title="Signed in" about="Devices that need no password now. End what you do not know.">
        <SignIns
          signIns={signIns.map(({ id, digest, device, place, begunAt, seenAt }) => ({
            id,
            device: deviceText(device),
            about: `since ${whenText(begunAt)}, last seen ${whenText(seenAt)}${place === 'here' ? '' : `, from ${place}`}`,
            isHere: digest === here,
          }))}
        />
      </Part>
      <Part
        title="Your data"
        about="Your name, address, sign-ins, and what you have said, as one file. If you leave, your edits and comments stay with the team, by a former colleague."
      >
        <a href="/api/account/export" download className="button mb-4">
          Save your data
        </a>
        <div className="max-w-sm">
          <AccountForm
            url="/api/account"
            method="DELETE"
            submit="Leave the team and be forgotten"
            goTo="/sign-in"
            isGrave
            fields={[passwordField]}
          />
        </div>
      </Part>
      <SignOut />
    </Frame>
  )
}
