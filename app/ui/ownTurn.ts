import { nextTurn } from './nextTurn.ts'

// What is imported after this has a task of its own: a slow phone answers in between.
await nextTurn()
