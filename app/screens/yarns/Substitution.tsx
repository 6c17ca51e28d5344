import { useState } from 'react'
import { substitutionPoints, type SubstitutionPoint, type Use, type YarnRecord } from '../../../core/index.ts'
import { USE_WORDS } from '../../words/cautionWords.ts'
import { percent } from '../../words/wording.ts'
import { yarnTitle } from './yarnTitle.ts'

interface SubstitutionProps {
  readonly yarn: YarnRecord
  readonly yarns: readonly YarnRecord[]
  /** What the pieces that are planned with it are for. */
  readonly uses: readonly Use[]
}

/** Whether another yarn of the shelf can stand in for this one. */
export function Substitution({ yarn, yarns, uses }: SubstitutionProps) {
  const others = yarns.filter(({ id }) => id !== yarn.id)
  const [chosen, setChosen] = useState('')
  const candidate = others.find(({ id }) => id === chosen)
  if (others.length === 0) return null
  const points = candidate && substitutionPoints(yarn, candidate, uses)
  return (
    <div className="grid gap-2 border-t rule pt-3">
      <label className="grid gap-1">
        <span className="text-14 text-ink-2">Could another take its place?</span>
        <select className="field" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">Choose one to compare</option>
          {others.map((other) => (
            <option key={other.id} value={other.id}>
              {yarnTitle(other)}
            </option>
          ))}
        </select>
      </label>
      {candidate && points && (
        <div role="status" className="text-16">
          {points.length === 0 ? (
            <p>
              <strong>It will do.</strong> Same class, fibre and length in 100 g. Swatch it all the same.
            </p>
          ) : (
            <ul className="grid gap-1">
              {points.map((point) => (
                <li key={point.code === 'unfit' ? `${point.code}-${point.use}` : point.code}>
                  {pointSentence(point)}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </div>
  )
}

function pointSentence(point: SubstitutionPoint): string {
  switch (point.code) {
    case 'otherClass':
      return `It is ${point.has}, not ${point.wanted}: another gauge, and every count changes. Plan anew.`
    case 'otherFibre':
      return 'Another fibre: it washes, wears and stretches differently.'
    case 'unfit':
      return `It is not fit for ${USE_WORDS[point.use].toLowerCase()} use.`
    case 'otherLength':
      return `100 g hold ${percent(Math.abs(point.share - 1))} ${point.share > 1 ? 'more' : 'less'} metres: count the balls anew, and swatch.`
    case 'otherDyeLot':
      return 'Another dye lot: the colours may not match side by side.'
  }
}
