import { putDemoOnFirstVisit } from '../store/putDemo.ts'

void putDemoOnFirstVisit().then(
  () => postMessage('done'),
  () => postMessage('failed'),
)
