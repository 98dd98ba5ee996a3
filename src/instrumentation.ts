/** Before the first request: the data folder is claimed and what is in it opened, or it is said why not. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs' || process.env['NEXT_PHASE'] === 'phase-production-build')
    return
  const { startServing } = await import('./flows/start-serving')
  await startServing()
  const { installFirstAnswers } = await import('./app/_server/first-answers')
  installFirstAnswers()
}
