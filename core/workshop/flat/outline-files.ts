/** A sheet as SVG or DXF at full size: edges to cut and marks to write, apart. mm */
import { markAt, placedLoops, type PlacedPart } from './sheets'

const n = (value: number) => String(Math.round(value * 1000) / 1000)
const escaped = (text: string) =>
  text.replace(/[<>&"]/g, sign => ({ '<': '&lt;', '>': '&gt;', '&': '&amp;', '"': '&quot;' })[sign]!)

/** Height of marks. */
const MARK_MM = 4

/** Hairlines in two groups, `cut` and `marks`; y points down as SVG has it. */
export function sheetSvg(
  parts: readonly PlacedPart[],
  [width, height]: readonly [number, number],
  font = 'sans-serif',
): string {
  const path = (part: PlacedPart) =>
    placedLoops(part)
      .map(
        loop =>
          `M${Array.from({ length: loop.length / 2 }, (_, i) => `${n(loop[2 * i])} ${n(height - loop[2 * i + 1])}`).join('L')}Z`,
      )
      .join('')
  const mark = (part: PlacedPart) => {
    const [x, y] = markAt(part)
    return `<text x="${n(x)}" y="${n(height - y + MARK_MM / 3)}">${escaped(part.part.mark)}</text>`
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">`,
    `<g id="cut" fill="none" stroke="#000" stroke-width="0.1">${parts.map(part => `<path d="${path(part)}"/>`).join('')}</g>`,
    `<g id="marks" fill="#c00" font-family="${font}" font-size="${MARK_MM}" text-anchor="middle">${parts.map(mark).join('')}</g>`,
    '</svg>\n',
  ].join('\n')
}

/** Closed polylines on the layer CUT, marks on the layer MARKS; units are millimetres. Its writer is loaded here. */
export async function sheetDxf(parts: readonly PlacedPart[]): Promise<string> {
  const { Colors, DxfWriter, LWPolylineFlags, point2d, point3d, Units } = await import('@tarikjabiri/dxf')
  const file = new DxfWriter()
  file.setUnits(Units.Millimeters)
  file.addLayer('CUT', Colors.White, 'Continuous')
  file.addLayer('MARKS', Colors.Red, 'Continuous')
  for (const part of parts) {
    file.setCurrentLayerName('CUT')
    for (const loop of placedLoops(part))
      file.addLWPolyline(
        Array.from({ length: loop.length / 2 }, (_, i) => ({
          point: point2d(Number(n(loop[2 * i])), Number(n(loop[2 * i + 1]))),
        })),
        { flags: LWPolylineFlags.Closed },
      )
    file.setCurrentLayerName('MARKS')
    const [x, y] = markAt(part)
    file.addText(point3d(x, y), MARK_MM, part.part.mark)
  }
  return file.stringify()
}
