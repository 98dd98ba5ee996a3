import fc from 'fast-check'

// One seed for every law, so that a run can be repeated; a failure prints it. KELPFIELD_SEED looks elsewhere.
// A law that cannot be run through within a minute has failed: it must not pass half tried.
fc.configureGlobal({
  seed: Number(process.env['KELPFIELD_SEED'] ?? 20_261_125),
  interruptAfterTimeLimit: 60_000,
  markInterruptAsFailure: true,
})
