import type { DesignChoice } from '@/flows/read/brief-designs'
import type { OffcutIdea } from '@/flows/read/offcut-ideas'
import { countOf, formatDuration, formatExact, formatLength, type Preferences } from '../format'
import { ChoicePicture } from '../piece/ChoicePicture'
import { Link } from '../shell/Link'
import { Swatch } from './Swatch'

interface IdeaCardsProps {
  readonly label: string
  readonly ideas: readonly OffcutIdea[]
  readonly choices: readonly DesignChoice[]
  readonly preferences: Preferences
}

/** What offcuts could become, each ready to be planned. */
export const IdeaCards = ({ label, ideas, choices, preferences }: IdeaCardsProps) => (
  <ul aria-label={label} className="grid gap-4 sm:grid-cols-2 tablet:grid-cols-3">
    {ideas.map(({ designId, name, paper, pieces, sideMm, sizeMm, sizeLabel, seconds }) => {
      const query = new URLSearchParams({
        design: designId,
        pieces: String(pieces),
        size: sizeMm.toFixed(2),
        papers: paper.id,
      })
      return (
        <li key={designId}>
          <Link
            href={`/projects/new?${query.toString()}`}
            className="sheet-panel flex h-full items-center gap-4 p-4 hover:underline focus-visible:outline-2 focus-visible:outline-accent"
          >
            <ChoicePicture
              choice={choices.find(({ id }) => id === designId)}
              className="h-20 w-20 shrink-0"
            />
            <span>
              <strong className="block text-lg">{countOf(pieces, name.toLowerCase())}</strong>
              {formatLength(sizeMm, preferences)} {sizeLabel}, from {formatExact(sideMm, preferences)},{' '}
              <span className="second">{formatDuration(seconds)}</span>
              <span className="mt-1 flex items-center gap-2">
                <Swatch front={paper.frontColour} back={paper.backColour} />
                {paper.name}
              </span>
            </span>
          </Link>
        </li>
      )
    })}
  </ul>
)
