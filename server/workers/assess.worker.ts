/** Reads and assesses a project beside the server: a heavy one holds up nobody else. */
import { assess } from '../../core/assess'
import { DocumentError, readProject } from '../../core/document'

export type Assessed = { ok: true; json: string } | { ok: false; path: string; reason: string }

/** Takes the bytes of a project file; what is wrong with them is an answer, not an exception. */
export default function assessBytes(bytes: Uint8Array): Assessed {
  try {
    const { verdicts, findings, totals } = assess(readProject(new TextDecoder().decode(bytes)))
    return { ok: true, json: JSON.stringify({ verdicts, findings, totals }) }
  } catch (fault) {
    if (fault instanceof DocumentError) return { ok: false, path: fault.path, reason: fault.reason }
    throw fault
  }
}
