import {
  familyOf,
  fieldsOf,
  formOf,
  isAsked,
  isOfStart,
  roundedForm,
  sizesOf,
  type AnyField,
  type OutlinePoint,
  type PieceRecord,
  type StoredForm,
  withForm,
} from '../../../core/index.ts'
import { Choices } from '../../ui/Choices.tsx'
import { NumberCell } from '../../ui/NumberCell.tsx'
import { parseCount, parsePercent } from '../../ui/parseCount.ts'
import { PopoverCell } from '../../ui/PopoverCell.tsx'
import { useSizes } from '../../ui/useSizes.ts'
import { askingWordsOf } from '../../words/formQuestionWords.ts'
import { OutlineEditor } from '../shape/OutlineEditor.tsx'
import { faultAt, type PlanModel } from './planModel.ts'

interface FormCellsProps {
  readonly model: PlanModel
  /** Class names of a cell. */
  readonly cell: string
}

/** What the piece must become: a cell for every field of its form's family. */
export function FormCells({ model, cell }: FormCellsProps) {
  const { form } = model.piece
  const asked = fieldsOf(form.family).filter(
    (field) => !isOfStart(field) && isAsked(field, (key) => valueIn(form, key)),
  )
  return (
    <>
      {asked.map((field, index) => (
        <FormCell key={field.key} model={model} field={field} cell={cell} first={index === 0} />
      ))}
      <AngleCell model={model} cell={cell} />
    </>
  )
}

/** The angle between its sides, in place of the length that it comes from. */
function AngleCell({ model, cell }: FormCellsProps) {
  const { piece, wantedSpec, changePiece, taking } = model
  const form = formOf(piece.form)
  const { angle } = familyOf(form)
  if (!angle || !wantedSpec) return null
  const sizes = sizesOf(wantedSpec)
  const withAngle = (degrees: number): PieceRecord => ({
    ...piece,
    form: roundedForm(angle.towards(form, sizes, degrees)),
  })
  return (
    <NumberCell
      className={cell}
      label="Opens by"
      value={angle.of(form, sizes)}
      format={(degrees) => degrees.toFixed(0)}
      parse={taking(parseCount(angle.least, angle.most, 'an angle in degrees'), withAngle)}
      step={5}
      unit="°"
      onChange={(degrees) => changePiece(withAngle(degrees))}
    />
  )
}

const valueIn = (form: StoredForm, key: string): number | string =>
  (form as unknown as Readonly<Record<string, number | string>>)[key]!

function FormCell({
  model,
  field,
  cell,
  first,
}: FormCellsProps & { readonly field: AnyField; readonly first: boolean }) {
  const { piece, fault, changePiece, taking } = model
  const sizes = useSizes()
  const words = askingWordsOf(piece.form).fields[field.key]!
  const value = valueIn(piece.form, field.key)
  const withValue = (next: number | string | readonly OutlinePoint[]): PieceRecord =>
    withForm(piece, { ...piece.form, [field.key]: next })
  const wrong = faultAt(fault, `form.${field.key}`)
  if (field.kind === 'choice') {
    const choices = words.choices!
    return (
      <PopoverCell className={cell} label={words.label} value={choices[value]!.label} fault={wrong}>
        <Choices
          label={words.label}
          value={String(value)}
          onChange={(next) => changePiece(withValue(next))}
          choices={field.choices.map((name) => ({ value: name, ...choices[name]! }))}
        />
      </PopoverCell>
    )
  }
  if (field.kind === 'outline') {
    const outline = value as unknown as readonly OutlinePoint[]
    return (
      <PopoverCell
        className={cell}
        label={`${words.label}, ± ${sizes.full(piece.tolerance)}`}
        value={`${outline.length} points`}
        fault={wrong}
      >
        <div className="p-3">
          <OutlineEditor
            field={field}
            outline={outline}
            curved={valueIn(piece.form, field.curved.key) === field.curved.is}
            onChange={(next) => changePiece(withValue(next))}
          />
        </div>
      </PopoverCell>
    )
  }
  const common = {
    className: cell,
    label: words.label,
    value: Number(value),
    fault: wrong,
    onChange: (next: number) => changePiece(withValue(next)),
  }
  if (field.kind === 'share') {
    return (
      <NumberCell
        {...common}
        format={(share) => (share * 100).toFixed(0).replace('-', '−')}
        parse={taking(parsePercent(field.least, field.most), withValue)}
        step={0.01}
        signed
        unit="%"
      />
    )
  }
  return (
    <NumberCell
      {...common}
      format={sizes.bare}
      parse={taking(sizes.between(field.least, field.most), withValue)}
      step={sizes.step}
      unit={first ? `± ${sizes.bare(piece.tolerance)} ${sizes.unit}` : sizes.unit}
      takes="length"
    />
  )
}
