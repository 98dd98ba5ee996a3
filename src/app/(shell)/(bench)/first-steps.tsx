import { Link } from '@/ui/shell/Link'
import type { ReactNode } from 'react'
import type { FlowContext } from '@/flows/flow-context'
import { readDesignChoices } from '@/flows/read/brief-designs'
import { hasPapers } from '@/flows/read/papers'
import { ANY_PAPER } from '@/ui/diagram/faces'
import { ChoicePicture } from '@/ui/piece/ChoicePicture'
import { Swatch } from '@/ui/paper/Swatch'

/** Paper colours for the pictures, from our own demo drawer. */
const COLOURS = ['#c4491d', '#2c6e7f', '#7f9563', '#6d3f63', '#d9a441'] as const

interface WayInProps {
  readonly title: string
  readonly text: string
  readonly href: string
  readonly deed: string
  readonly pictures: ReactNode
  readonly primary: boolean
}

function WayIn({ title, text, href, deed, pictures, primary }: WayInProps) {
  return (
    <li className="sheet-panel flex flex-col gap-3 p-6">
      <p className="flex h-14 items-center gap-2">{pictures}</p>
      <h3 className="text-xl">{title}</h3>
      <p className="second">{text}</p>
      <p className="mt-auto pt-3">
        <Link href={href} className={`btn ${primary ? 'btn-primary' : 'btn-outline'}`}>
          {deed}
        </Link>
      </p>
    </li>
  )
}

const plain = (frontColour: string) => ({ ...ANY_PAPER, frontColour })

/** Where nothing waits: the ways to begin. */
export async function FirstSteps({ context }: { readonly context: FlowContext }) {
  const { choices } = await readDesignChoices(context)
  const easy = choices.filter((choice) => choice.easy)
  const [first] = easy
  const papers = await hasPapers(context)
  return (
    <section aria-labelledby="begin-title" className="mt-8">
      <h2 id="begin-title" className="text-2xl">
        Nothing waits
      </h2>
      <ul className="mt-3 grid gap-5 tablet:grid-cols-3">
        <WayIn
          title="For an occasion"
          text="Say what is wanted, how many and by when. Sheets, cuts and trays follow from it."
          href="/projects/new"
          deed="Start a project"
          pictures={COLOURS.slice(0, 3).map((colour) =>
            first ? (
              <ChoicePicture key={colour} choice={first} paper={plain(colour)} className="h-16 w-16" />
            ) : null,
          )}
          primary
        />
        <WayIn
          title="For the hands"
          text="Choose a design and fold six from any scrap: pictures, one tap a fold, and a log of how long it took."
          href="/designs"
          deed="Just fold something"
          pictures={COLOURS.flatMap((colour, index) => {
            const choice = easy[index]
            return choice
              ? [
                  <ChoicePicture
                    key={choice.id}
                    choice={choice}
                    paper={plain(colour)}
                    className="h-16 w-16"
                  />,
                ]
              : []
          })}
          primary={false}
        />
        <WayIn
          title={papers ? 'From the drawer' : 'Fill the drawer'}
          text={
            papers
              ? 'What you have: colours, sizes, sheets and offcuts.'
              : 'Put in the papers you have. What can be folded, and from how many sheets, is counted from them.'
          }
          href={papers ? '/papers' : '/papers/new'}
          deed={papers ? 'Open the drawer' : 'Add a paper'}
          pictures={COLOURS.map((colour) => (
            <Swatch key={colour} front={colour} back="#fdfbf5" className="h-10 w-14" />
          ))}
          primary={false}
        />
      </ul>
    </section>
  )
}
