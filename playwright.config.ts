import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './e2e/chromium.ts'

const port = Number(process.env['E2E_PORT'] ?? 4187)

export default defineConfig({
  testDir: './e2e',
  outputDir: './test-results',
  // Walks wait a good part of their time: a third one uses it.
  workers: 3,
  fullyParallel: true,
  // A killed browser tells something when nothing else is slow: last, and alone.
  projects: [
    { name: 'screens', testIgnore: /kill\.spec/ },
    { name: 'kills', testMatch: /kill\.spec/, dependencies: ['screens'] },
  ],
  retries: process.env['CI'] ? 1 : 0,
  // On a machine that has much else to do a page may take its time.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/report.json' }]],
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    // A browser that was never here would fetch all of Uzel for offline use, for every walk anew.
    serviceWorkers: 'block',
    launchOptions: { executablePath: CHROMIUM },
    // A trace of every run takes a quarter of its time; what fails is traced when it is tried again.
    trace: 'on-first-retry',
  },
  webServer: {
    command: 'node dist/server/serve.js',
    env: { PORT: String(port) },
    url: `http://localhost:${port}`,
    reuseExistingServer: false,
  },
})
