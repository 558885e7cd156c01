// Starts again what ends by itself, with longer and longer waits, and says why it ended.
import { say } from './prepare.mjs'

const FIRST_MS = 500
const MOST_MS = 30_000
/** What has run for so long has not failed at once. */
const STEADY_MS = 60_000

/** Milliseconds before the nth start in a row. */
export const backOff = (n) => Math.min(MOST_MS, FIRST_MS * 2 ** n)

/** Calls `start` again whenever the returned function is told that it has ended. `start` may throw: then again. */
export function keepUp(name, start) {
  let failures = 0
  let since = Date.now()
  const again = (why) => {
    if (Date.now() - since > STEADY_MS) failures = 0
    const wait = backOff(failures++)
    say(`the ${name} ended (${why}); it is started again in ${(wait / 1000).toFixed(1)} s`)
    return new Promise((resolve) =>
      setTimeout(() => {
        since = Date.now()
        Promise.resolve()
          .then(start)
          .then(resolve, (error) => resolve(again(error.message)))
      }, wait),
    )
  }
  return again
}
