/** Does one piece of work at a time; of what comes in meanwhile only the newest is done. A piece that fails is reported and
 *  holds nothing up. */
export function newestOnly<T, R>(work: (given: T) => Promise<R>, onFault: (error: unknown) => void) {
  let next: { readonly given: T } | null = null
  let running: Promise<void> | null = null
  let last: R | null = null
  const run = async () => {
    while (next) {
      const { given } = next
      next = null
      try {
        last = await work(given)
      } catch (error) {
        onFault(error)
      }
    }
  }
  return {
    give: (given: T): void => {
      next = { given }
      running ??= run().finally(() => (running = null))
    },
    /** What has not begun is given up. */
    drop: (): void => {
      next = null
    },
    /** Waits until nothing is under way and takes the last result away: null when nothing came out since. */
    take: async (): Promise<R | null> => {
      while (running) await running
      const result = last
      last = null
      return result
    },
  }
}
