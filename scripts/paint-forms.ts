// Part of a build: paints every design of the library as a finished piece into the folder it is given, on as many threads
// as there are processors.
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { isMainThread, parentPort, Worker } from 'node:worker_threads'
import { LIBRARY } from '../src/core/design'
import { FORM_ENGINE_VERSION } from '../src/core/shape'
import type { KeptForms } from '../src/flows/kept-forms'
import { formsToPaint, paintVariant } from '../src/flows/paint-forms'
import { FORMS_FILE } from '../src/flows/shipped-forms'

const folder = process.argv[2]!
const wanted = formsToPaint(LIBRARY)

interface Painted {
  readonly index: number
  readonly forms: KeptForms | null
}

function paint(index: number): Painted {
  const { source, variantKey } = wanted[index]!
  const forms = paintVariant(source, variantKey, (file, png) => writeFileSync(join(folder, file), png))
  return { index, forms }
}

/** Every thread is given the next one when it has done its last. */
async function paintAll(): Promise<ReadonlyMap<string, KeptForms>> {
  const done = new Map<string, KeptForms>()
  const left = [...wanted.keys()]
  const threads = Math.min(availableParallelism(), wanted.length)
  await Promise.all(
    Array.from({ length: threads }, () => {
      const worker = new Worker(fileURLToPath(import.meta.url), { argv: [folder] })
      return new Promise<void>((resolve, reject) => {
        const next = () => {
          const index = left.shift()
          if (index === undefined) {
            resolve()
            void worker.terminate()
          } else worker.postMessage(index)
        }
        worker.on('message', ({ index, forms }: Painted) => {
          if (forms) done.set(wanted[index]!.key, forms)
          next()
        })
        worker.on('error', reject)
        next()
      })
    }),
  )
  return done
}

if (isMainThread) {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const painted = await paintAll()
  // In the library's order, whichever thread was quicker.
  const forms = Object.fromEntries(
    wanted.flatMap(({ key }) => (painted.has(key) ? [[key, painted.get(key)]] : [])),
  )
  writeFileSync(join(folder, FORMS_FILE), JSON.stringify({ engine: FORM_ENGINE_VERSION, forms }))
  console.log(`${readdirSync(folder).length - 1} pictures of finished pieces go with this build.`)
} else parentPort?.on('message', (index: number) => parentPort?.postMessage(paint(index)))
