/** Until the page had a turn: what it was asked meanwhile is answered. */
export const nextTurn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
