/** What a file holds and a manuscript does not: counted while it is read, told at the end. */
export class Left {
  private readonly counts = new Map<string, number>()
  add(what: string, count = 1): void {
    this.counts.set(what, (this.counts.get(what) ?? 0) + count)
  }
  /** “3 pictures”, “formulas”. */
  sentences(): string[] {
    return [...this.counts].map(([what, count]) => (count > 1 ? `${what} (${count})` : what))
  }
}
