/** "12,480": what the browser's own way takes tens of milliseconds to begin with. */
export const thousands = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, ',')
