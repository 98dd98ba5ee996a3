/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  // Folding the whole library before a test takes ten seconds on a slow machine; what hangs hangs for longer.
  testTimeout: 60_000,
  // Looked up through the sandbox these cost more than what the folding does with them.
  sandboxInjectedGlobals: ['Math', 'Float64Array', 'Int8Array'],
  roots: ['<rootDir>/src', '<rootDir>/test', '<rootDir>/demo', '<rootDir>/scripts'],
  // Figures of the library are made once, under the hash of what makes them.
  globalSetup: '<rootDir>/test/global-setup.mjs',
  // Most tests compute, so every processor has its own.
  maxWorkers: '100%',
  setupFiles: ['<rootDir>/test/setup.ts'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  transform: {
    '^.+\\.(t|j|mj)sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(nanoid|comlink|idb|canonicalize|jose|is-any-array|ml-[^/]+|cheminfo-types|d3-delaunay|delaunator|robust-predicates|fast-png|fflate|iobuffer)/)',
  ],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^server-only$': '<rootDir>/test/server-only.ts',
    '^canonicalize$': '<rootDir>/node_modules/canonicalize/lib/canonicalize.js',
  },
}

export default config
