// npm run bench: every *.bench.ts, as ratios against a baseline in the same run; then the screen itself.
import { install, run } from './steps.mjs'

install()
const { code } = run('node', ['--import', '@swc-node/register/esm-register', 'tools/benchAll.ts'])
if (code !== 0) process.exit(code)
process.exit(run('node', ['tools/benchScreen.mjs']).code)
