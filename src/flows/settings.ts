import { cuttingFields, settings, settingsFields, type Settings } from '@/schema/settings'
import { parseFields } from '@/schema/field-errors'
import { readSettings, writeSettings } from '@/data/repositories/settings'
import type { FlowContext } from './flow-context'
import { deed, refuseFields, type DeedResult } from './deed'

/** The settings as saved, defaults where nothing was. */
export const currentSettings = async ({ db }: Pick<FlowContext, 'db'>): Promise<Settings> =>
  settings.parse(await readSettings(db))

export const saveSettings = (context: FlowContext, input: unknown): Promise<DeedResult<Settings>> =>
  deed(context, async ({ db }) => {
    const parsed = parseFields(settingsFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const next = { ...(await currentSettings({ db })), ...parsed.value }
    await writeSettings(db, next)
    return next
  })

/** What sheets are cut with. Plans made for something else are out of date then; each says so where it is read. */
export const saveCutting = (context: FlowContext, input: unknown): Promise<DeedResult<Settings>> =>
  deed(context, async ({ db }) => {
    const now = await currentSettings({ db })
    const parsed = parseFields(cuttingFields(now.unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { stages, margin, trimmer, stackSheets, keep, parted } = parsed.value
    const um = (mm: number) => Math.round(1000 * mm)
    const next: Settings = {
      ...now,
      cutting: {
        stages: stages === '2' ? 2 : 3,
        marginUm: um(margin),
        trimmerUm: trimmer === null ? null : um(trimmer),
        stackSheets,
        keepUm: um(keep),
      },
      tears: parted !== 'cut',
    }
    await writeSettings(db, next)
    return next
  })

/** To cm or to inches, with the ruler that goes with it. The unit is named, so that two presses do not switch back. */
export const switchUnit = (context: FlowContext, to: unknown): Promise<DeedResult<Settings>> =>
  deed(context, async ({ db }) => {
    const now = await currentSettings({ db })
    const unit = to === 'in' ? 'in' : 'cm'
    if (now.unit === unit) return now
    const next: Settings = { ...now, unit, ruler: unit === 'in' ? 'inch-1/16' : 'mm-0.5' }
    await writeSettings(db, next)
    return next
  })
