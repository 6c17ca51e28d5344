import { PDFArray, PDFDocument, PDFRawStream, PDFRef, decodePDFRawStream, type PDFPage } from 'pdf-lib'

/** A straight or curved outline on a printed page, as the box around it, in mm. */
export interface PrintedShape {
  readonly width: number
  readonly height: number
}

type Matrix = readonly [number, number, number, number, number, number]

const MM_PER_POINT = 25.4 / 72

const times = ([a, b, c, d, e, f]: Matrix, [A, B, C, D, E, F]: Matrix): Matrix => [
  a * A + b * C,
  a * B + b * D,
  c * A + d * C,
  c * B + d * D,
  e * A + f * C + E,
  e * B + f * D + F,
]

const contentOf = (page: PDFPage): string => {
  const contents = page.node.Contents()
  const streams =
    contents instanceof PDFArray
      ? contents.asArray().map((one) => (one instanceof PDFRef ? page.doc.context.lookup(one) : one))
      : [contents]
  return streams
    .filter((stream) => stream instanceof PDFRawStream)
    .map((stream) => Buffer.from(decodePDFRawStream(stream).decode()).toString('latin1'))
    .join('\n')
}

/** Every outline that a page of a PDF draws, measured where it comes to lie on the paper. */
export async function shapesOf(pdf: Uint8Array, pageNumber = 0): Promise<PrintedShape[]> {
  const document = await PDFDocument.load(pdf)
  const page = document.getPage(pageNumber)
  const shapes: PrintedShape[] = []
  let matrix: Matrix = [1, 0, 0, 1, 0, 0]
  const saved: Matrix[] = []
  let points: [number, number][] = []
  const operands: number[] = []
  const at = (x: number, y: number): [number, number] => {
    const [a, b, c, d, e, f] = matrix
    return [a * x + c * y + e, b * x + d * y + f]
  }
  for (const token of contentOf(page).split(/\s+/)) {
    const number = Number(token)
    if (token !== '' && Number.isFinite(number)) {
      operands.push(number)
      continue
    }
    if (token === 'q') saved.push(matrix)
    else if (token === 'Q') matrix = saved.pop() ?? matrix
    else if (token === 'cm') matrix = times(operands.slice(-6) as unknown as Matrix, matrix)
    else if (token === 'm') points.push(at(operands.at(-2)!, operands.at(-1)!))
    else if (token === 'l') points.push(at(operands.at(-2)!, operands.at(-1)!))
    else if (token === 'c') points.push(at(operands.at(-2)!, operands.at(-1)!))
    else if (token === 're') {
      const [x, y, width, height] = operands.slice(-4) as [number, number, number, number]
      points.push(at(x, y), at(x + width, y + height))
    } else if (/^(S|s|f\*?|F|B\*?|b\*?|n)$/.test(token)) {
      if (points.length > 1 && token !== 'n') {
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
        shapes.push({
          width: (Math.max(...xs) - Math.min(...xs)) * MM_PER_POINT,
          height: (Math.max(...ys) - Math.min(...ys)) * MM_PER_POINT,
        })
      }
      points = []
    }
    operands.length = 0
  }
  return shapes
}

export async function pagesOf(pdf: Uint8Array): Promise<number> {
  return (await PDFDocument.load(pdf)).getPageCount()
}
