import { spawn, type ChildProcess } from 'node:child_process'
import { chromium, type Browser, type Page } from '@playwright/test'
import { CHROMIUM } from './chromium.ts'

/** A browser of its own process group, which can be ended as a flat battery would end it. */
export interface KillableBrowser {
  readonly page: Page
  /** SIGKILL to the browser and all its helpers; resolves when they are gone. */
  readonly kill: () => Promise<void>
}

/** Starts Chromium on a profile that outlives it. */
export async function startKillable(profile: string): Promise<KillableBrowser> {
  const process = spawn(
    CHROMIUM,
    [
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--no-first-run',
      '--remote-debugging-port=0',
      '--window-size=1280,800',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
  )
  const ended = new Promise<void>((done) => process.once('exit', () => done()))
  const browser = await chromium.connectOverCDP(await debuggingAddress(process))
  const context = browser.contexts()[0]!
  const page = context.pages()[0] ?? (await context.newPage())
  return { page, kill: () => kill(process, browser, ended) }
}

function debuggingAddress({ stderr }: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = ''
    const late = setTimeout(() => reject(new Error(`Chromium did not start: ${said.slice(-400)}`)), 20_000)
    stderr!.on('data', (part: Buffer) => {
      said += part.toString()
      const found = /DevTools listening on (ws:\S+)/.exec(said)
      if (!found) return
      clearTimeout(late)
      resolve(found[1]!)
    })
  })
}

async function kill(process_: ChildProcess, browser: Browser, ended: Promise<void>): Promise<void> {
  // The whole group: helpers must not write on after the browser is gone.
  process.kill(-process_.pid!, 'SIGKILL')
  await ended
  await browser.close().catch(() => undefined)
}
