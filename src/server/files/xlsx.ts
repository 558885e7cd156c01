/** Cells as a spreadsheet (ISO/IEC 29500-1, 18), all of them words. */
import writeXlsxFile from 'write-excel-file/node'

export async function xlsxOf(sheets: Readonly<Record<string, readonly (readonly string[])[]>>): Promise<Uint8Array> {
  const names = Object.keys(sheets)
  const data = Object.values(sheets).map((rows) =>
    rows.map((row, i) =>
      row.map((value) => ({ value, type: String, ...(i === 0 ? { fontWeight: 'bold' as const } : {}) })),
    ),
  )
  const written = writeXlsxFile(data.map((d, i) => ({ data: d, sheet: names[i] as string })) as never) as unknown as {
    toBuffer: () => Promise<Buffer>
  }
  return new Uint8Array(await written.toBuffer())
}
