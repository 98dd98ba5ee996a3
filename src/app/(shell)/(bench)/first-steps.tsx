import Link from 'next/link'
import type { FlowContext } from '@/flows/flow-context'
import { readDesignChoices } from '@/flows/read/brief-designs'
import { hasPapers } from '@/flows/read/papers'
import { Outline } from '@/ui/design/Outline'

/** Outlines shown beside the way to the designs. */
const SHOWN = 5

interface WayInProps {
  readonly title: string
  readonly text: string
  readonly href: string
  readonly deed: string
  readonly outlines: readonly string[]
  readonly primary: boolean
}

function WayIn({ title, text, href, deed, outlines, primary }: WayInProps) {
  return (
    <li className="sheet-panel flex flex-col gap-3 p-6">
      <p className="flex h-14 gap-2">
        {outlines.map((outline, index) => (
          <Outline key={index} outline={outline} className="h-14 w-14" />
        ))}
      </p>
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

/** Where nothing waits: the ways to begin. */
export async function FirstSteps({ context }: { readonly context: FlowContext }) {
  const { choices } = await readDesignChoices(context)
  const easy = choices.filter((choice) => choice.easy).map(({ outline }) => outline)
  const first = easy.slice(0, 1)
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
          outlines={[...first, ...first, ...first]}
          primary
        />
        <WayIn
          title="For the hands"
          text="Choose a design and fold six from any scrap: pictures, one tap a fold, and a log of how long it took."
          href="/designs"
          deed="Just fold something"
          outlines={easy.slice(0, SHOWN)}
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
          outlines={[]}
          primary={false}
        />
      </ul>
    </section>
  )
}
