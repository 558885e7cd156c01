/** Linear equations by elimination with partial pivoting (Gauss; Golub, Van Loan 2013, "Matrix computations", 3.4). */

/** x with Ax = b for each b; null where there is not exactly one. `a` holds rows, and is not changed. */
export function solved(a: readonly (readonly number[])[], bs: readonly (readonly number[])[]): number[][] | null {
  const n = a.length
  const rows = a.map((r, i) => [...r, ...bs.map((b) => b[i] ?? 0)])
  for (let k = 0; k < n; k++) {
    let best = k
    for (let i = k + 1; i < n; i++) if (Math.abs(rows[i]?.[k] ?? 0) > Math.abs(rows[best]?.[k] ?? 0)) best = i
    const [here, other] = [rows[k] as number[], rows[best] as number[]]
    rows[k] = other
    rows[best] = here
    const pivot = other[k] ?? 0
    if (Math.abs(pivot) < 1e-12) return null
    for (let i = k + 1; i < n; i++) {
      const row = rows[i] as number[]
      const by = (row[k] ?? 0) / pivot
      if (by !== 0) for (let j = k; j < row.length; j++) row[j] = (row[j] ?? 0) - by * (other[j] ?? 0)
    }
  }
  return bs.map((_, c) => {
    const x = Array<number>(n).fill(0)
    for (let i = n - 1; i >= 0; i--) {
      const row = rows[i] as number[]
      let sum = row[n + c] ?? 0
      for (let j = i + 1; j < n; j++) sum -= (row[j] ?? 0) * (x[j] ?? 0)
      x[i] = sum / (row[i] ?? NaN)
    }
    return x
  })
}
