/**
 * npm run accuracy: over 1,000 simulated makers plan, work, slip, measure and correct; writes what came of it
 * to docs/ACCURACY.md. The floor of the same figures is asserted by core/fit/accuracy.test.ts.
 */
import { writeFileSync } from 'node:fs'
import { accuracyOf, type Accuracy } from '../core/testing/accuracyOf.ts'
import { USUAL_FABRIC } from '../core/testing/elasticShell.ts'
import { ASSUMED } from '../core/testing/makerHands.ts'

const MAKERS = Number(process.argv[2] ?? 120)
const TARGETS = [110, 150, 220, 300]

const mm = (value: number) => value.toFixed(1)
const percent = (share: number) => `${(share * 100).toFixed(0)}%`

const sizes: string[] = []
const causes: string[] = []
let makers = 0
for (const start of ['swatch', 'table'] as const) {
  for (const across of TARGETS) {
    const found = accuracyOf(MAKERS, { start, across, counts: true })
    makers += MAKERS
    for (const who of ['honest', 'mistaken'] as const) {
      const { makers: many, uncorrected, corrected } = found[who]
      sizes.push(
        `| ${start} | ${across / 10} cm | ${who === 'honest' ? 'none' : 'one'} | ${many} | ${mm(uncorrected)} mm | ${mm(corrected)} mm | ${(uncorrected / corrected).toFixed(1)} |`,
      )
      console.log(sizes.at(-1))
    }
    if (across >= 150 && across <= 220) causes.push(causeRow(start, across, 'counted', found))
  }
  causes.push(causeRow(start, 220, 'not counted', accuracyOf(MAKERS, { start, across: 220, counts: false })))
  makers += MAKERS
}

function causeRow(start: string, across: number, counts: string, { mistaken, honest }: Accuracy): string {
  const { makers: many, tellable, first, firstTwo, firstAfterLooks } = mistaken
  return `| ${start} | ${across / 10} cm | ${counts} | ${many} | ${percent(tellable())} | ${percent(first)} | ${percent(firstTwo)} | ${percent(firstAfterLooks)} | ${(honest.falseAlarms * 100).toFixed(1)}% of ${honest.makers} |`
}

const { label, swatch, day, drift, centre, tape, depth, fabric, seen, eye, hook, miscount, misseen } = ASSUMED
const { along, bending, weight, buckles, friction, holdsFlat } = USUAL_FABRIC
writeFileSync(
  new URL('../docs/ACCURACY.md', import.meta.url),
  `# How near it comes

Simulated makers, seeded and the same every time, with hands that Uzel does not know: they plan an sc disc,
work it, measure it with noise where the plan says so, look at what Uzel asks them to look at, and take the
first way out each time. ${makers} makers in all; every other one makes a mistake (three increases missed or
doubled in one round, the join worked as a stitch, the first stitch skipped), begun in Rnds 2 to 5.

They live in a world of their own: an axisymmetric elastic shell on a table (\`core/testing/elasticShell.ts\`),
which stretches, bends, weighs something, sticks a little, stands up and waves, and shares no code with the
planner. \`npm run accuracy\` writes this page; \`core/fit/accuracy.test.ts\` asserts the floor with fewer makers.

## The finished size

Root mean square of the finished diameter against the target: the plan followed as it was, and with every
correction taken. "swatch" makers begin from 10 cm counted on rounds, "table" makers from the label alone.

| start | target | mistake | makers | uncorrected | corrected | times nearer |
| ------ | ------ | ------ | ------ | ----------- | --------- | ------------ |
${sizes.join('\n')}

## The cause

Of makers with a mistake only, at the first measurement after it. "Can be told" are those whose exact
readings, without any noise, put the true cause among the first two: a single missed increase in a round that
nobody counted leaves no mark that a tape could find. "After the look" is when what Uzel asked for was counted
or looked at. False alarms are of makers without a mistake: a mistake named first all the same, after the look.

| start | target | last round | makers | can be told | first | in the first two | first after the look | false alarms |
| ----- | ------ | ---------- | ------ | ----------- | ----- | ---------------- | -------------------- | ------------ |
${causes.join('\n')}

Goal, last round counted: the true cause in the first two in 95%, first after the look in 90%, false alarms
under 3%. With nothing counted a tape cannot tell a missed increase from a first stitch skipped: Uzel says both
and asks for the count or the look that decides before it offers ways out.

## What is assumed

Standard deviations, if nothing else is said.

- True hands against the label: ${label.size * 100}% on w and h, correlation ${label.correlation}.
- A swatch over 10 cm: tape ${swatch.length} mm, count ${swatch.count} of a stitch.
- This piece against the swatch: ${day.together * 100}% together and ${day.apart * 100}% each; hands drift ${drift * 100}% a round.
- Centre of the ring: ${centre.mean} ± ${centre.sd} of a height.
- A diameter by tape: ${tape} mm a reading (±2 mm, 19 times of 20), two readings; depth of a cup ${depth} mm.
- Fabric, against its stiffness from round to round: ${along} along the round, bending ${bending} mm², weight
  ${weight} a mm, presses together ${buckles * 100}% before it waves, friction holds ${friction * 100}% of the way back to rest, a
  patted disc holds a strain of ${holdsFlat * 1e4}e-4 before its edge springs up; every maker's differs by ${fabric * 100}%.
- An edge is seen to stand up from ${seen.standsUp} mm on, to wave from ${seen.waves * 100}% of excess length, a lot from ${Math.round(seen.lot * 100)}%; excess
  as the eye sees it: ${eye * 100}%.
- Another hook against what is expected of it: ${hook * 100}%.
- A count is one off ${miscount * 100} times of 100; a join is taken for what it is not ${misseen * 100} times of 100.
`,
)
