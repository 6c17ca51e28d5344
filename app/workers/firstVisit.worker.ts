import { demoIn, putDemoOnFirstVisit } from '../store/putDemo.ts'

/** Writes the demo that is sent to it, and says how that went. */
addEventListener('message', ({ data }: MessageEvent<ArrayBuffer>) => {
  void putDemoOnFirstVisit(demoIn(data)).then(
    () => postMessage('done'),
    () => postMessage('failed'),
  )
})
