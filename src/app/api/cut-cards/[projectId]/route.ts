import { cardFonts, cutCards } from '@/app/_server/cut-cards'
import { handler, openPage, refused } from '@/app/_server/guard'
import { cardAsSvg, cardsAsPdf } from '@/formats/cut-card'
import { readProject } from '@/flows/read/project'

export const dynamic = 'force-dynamic'

/** The cut cards of a project as a PDF; with `layout`, that one's as an SVG. */
export const GET = handler<{ readonly projectId: string }>(
  { reads: 'anyone in' },
  async (request, { projectId }) => {
    const { context, preferences } = await openPage()
    const project = await readProject(context, projectId)
    if (!project) return refused(404, 'There is no such project.')
    const layout = new URL(request.url).searchParams.get('layout')
    const cards = cutCards(project, layout, preferences)
    const [first] = cards
    if (!first)
      return refused(404, 'There is nothing to cut of that any more. Look at the Cut station again.')
    const page = preferences.unit === 'in' ? 'letter' : 'A4'
    const name = `${project.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}-cut-cards`
    const headers = (type: string, file: string) => ({
      'content-type': type,
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file)}`,
      'cache-control': 'no-store',
    })
    if (layout !== null)
      return new Response(cardAsSvg(first, page), {
        headers: headers('image/svg+xml', `${name}-${layout}.svg`),
      })
    const pdf = await cardsAsPdf(cards, page, await cardFonts(), new Date(context.nowMs))
    return new Response(new Uint8Array(pdf), { headers: headers('application/pdf', `${name}.pdf`) })
  },
)
