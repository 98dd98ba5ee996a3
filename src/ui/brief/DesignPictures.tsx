import { useState } from 'react'
import type { DesignChoice } from '@/flows/read/brief-designs'
import { ChoicePicture } from '../piece/ChoicePicture'

interface DesignPicturesProps {
  readonly choices: readonly DesignChoice[]
  readonly chosen: string
  readonly line: number
  readonly pick: (id: string) => void
}

/** All designs by their pictures, to choose with the eye. */
export function DesignPictures({ choices, chosen, line, pick }: DesignPicturesProps) {
  // Hundreds of pictures are drawn for who wants to see them.
  const [open, setOpen] = useState(false)
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-1">Choose from pictures</summary>
      {open ? (
        <ul
          className="mt-2 grid max-h-80 grid-cols-3 gap-2 overflow-y-auto tablet:grid-cols-6"
          aria-label={`Designs for line ${line}`}
        >
          {choices.map((choice) => {
            const { id, name } = choice
            return (
              <li key={id}>
                <button
                  type="button"
                  className={`flex h-full w-full flex-col items-center gap-1 border p-2 text-center text-sm ${id === chosen ? 'border-2 border-accent' : 'hairline'}`}
                  aria-pressed={id === chosen}
                  onClick={() => pick(id)}
                >
                  <ChoicePicture choice={choice} className="h-20 w-20" />
                  {name}
                </button>
              </li>
            )
          })}
        </ul>
      ) : null}
    </details>
  )
}
