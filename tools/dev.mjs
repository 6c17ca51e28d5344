// npm run dev: Vite with the demo workshop beside it.
import { spawn } from 'node:child_process'
import { bin, install, root } from './steps.mjs'

install()
const vite = spawn(bin('vite'), [], { cwd: root, stdio: 'inherit' })
for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => vite.kill(signal))
vite.once('exit', (code) => process.exit(code ?? 0))
