/** Does the work of a script; what goes wrong is said in words, without a stack. */
export async function explain(work: () => Promise<void>): Promise<void> {
  try {
    await work()
  } catch (error) {
    console.error(`\n${error instanceof Error ? error.message : String(error)}\n`)
    process.exit(1)
  }
}
