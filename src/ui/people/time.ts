const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const minute = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

/** “3 Dec 2026”, of a time as the server writes it. */
export const onDay = (time: string): string => day.format(new Date(time))
/** “3 Dec, 14:05”. */
export const atTime = (time: string): string => minute.format(new Date(time))
