import type { Metadata } from 'next'
import { openPage } from '@/app/_server/guard'
import { replacedDatabases } from '@/flows/backup'
import { config, roomContext } from '@/flows/context'
import { passphraseSet } from '@/flows/room'
import { formatBytes, formatInstant } from '@/ui/format'
import { GoBack } from '@/ui/settings/GoBack'
import { PassphraseForm } from '@/ui/settings/PassphraseForm'
import { RestoreForm } from '@/ui/settings/RestoreForm'
import { SettingsForm } from '@/ui/settings/SettingsForm'
import { clearReplacedAction, goBackAction, saveSettingsAction, setPassphraseAction } from './actions'

export const metadata: Metadata = { title: 'Settings' }

export default async function SettingsPage() {
  const { settings, preferences } = await openPage()
  const { cutting: _, tears: __, ...initial } = settings
  const set = await passphraseSet(await roomContext())
  const replaced = await replacedDatabases()
  return (
    <>
      <h1 className="text-4xl">Settings</h1>
      <div className="mt-6 grid items-start gap-6 tablet:grid-cols-2">
        <section className="sheet-panel p-6" aria-labelledby="numbers">
          <h2 id="numbers" className="mb-4 text-2xl">
            Numbers and hands
          </h2>
          <SettingsForm
            initial={initial}
            zones={Intl.supportedValuesOf('timeZone')}
            currencies={Intl.supportedValuesOf('currency')}
            save={saveSettingsAction}
          />
        </section>
        <div className="flex flex-col gap-6">
          <section className="sheet-panel p-6" aria-labelledby="backup">
            <h2 id="backup" className="text-2xl">
              Backup
            </h2>
            <p className="mt-2">
              One file with everything: papers, projects, every tap. Take one whenever you like, also in the
              middle of a run.
            </p>
            <p className="mt-3">
              <a href="/api/backup" download className="btn btn-primary">
                Take a backup
              </a>
            </p>
            <h3 className="mt-6 text-xl">Put a backup back</h3>
            <p className="mt-1">
              It replaces everything that is here now, but for the passphrase. What is here is kept beside it
              on the machine, and you can go back to it.
            </p>
            <div className="mt-3">
              <RestoreForm />
            </div>
            {replaced.length === 0 ? null : (
              <>
                <h3 className="mt-6 mb-2 text-xl">What was here before</h3>
                <GoBack
                  goBack={goBackAction}
                  clear={clearReplacedAction.bind(null, replaced.length)}
                  sum={formatBytes(
                    replaced.reduce((sum, { bytes }) => sum + bytes, 0),
                    preferences,
                  )}
                  databases={replaced.map(({ name, replacedAtMs, bytes }) => ({
                    name,
                    when: formatInstant(replacedAtMs, preferences),
                    size: formatBytes(bytes, preferences),
                  }))}
                />
              </>
            )}
          </section>
          <section className="sheet-panel p-6" aria-labelledby="room">
            <h2 id="room" className="text-2xl">
              A tablet at the table
            </h2>
            <p className="mt-2">
              {config().room
                ? 'Kelpfield is open to this room; every device has to be unlocked with the passphrase.'
                : 'Kelpfield listens on this machine only. To open it to the room, set a passphrase, then start it with: npm start -- --room'}
            </p>
            <div className="mt-3">
              <PassphraseForm set={set} askOld={config().room} save={setPassphraseAction} />
            </div>
          </section>
        </div>
      </div>
    </>
  )
}
