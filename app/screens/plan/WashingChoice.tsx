import { FIBRES } from '../../../core/index.ts'
import { Choices } from '../../ui/Choices.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { sayAllPromised } from '../../words/measureWords.ts'
import { washingWords } from '../../words/washingWords.ts'
import { whenWashed, type PlanModel } from './planModel.ts'

/** Whether the sizes of the piece are meant as it comes off the hook, or once it is washed. */
export function WashingChoice({ model }: { readonly model: PlanModel }) {
  const { piece, gauge, wantedSpec, washedSpec, changePiece } = model
  const sizes = useSizes()
  const { washed, ...unwashed } = piece
  const after = whenWashed(model)
  return (
    <div className="border-t rule">
      <Choices<'worked' | 'washed'>
        heading
        label="Its sizes are meant"
        value={washed ? 'washed' : 'worked'}
        onChange={(state) => changePiece(state === 'washed' ? { ...piece, washed: true } : unwashed)}
        choices={[
          { value: 'worked', label: 'Off the hook', detail: 'As the tape finds it when it is done.' },
          {
            value: 'washed',
            label: 'Washed and dried',
            detail: 'It is worked as much larger or smaller as washing takes or gives.',
          },
        ]}
      />
      {after && wantedSpec && washedSpec && (
        <p className="px-3 pt-2 pb-3 text-16 text-ink-2">
          {washingWords(wantedSpec.gauge, washedSpec.gauge, FIBRES[gauge.fibre])} As planned it is then{' '}
          {sayAllPromised(after, sizes, wantedSpec.gauge.certainty === 'guess')}.
        </p>
      )}
    </div>
  )
}
