import type { CautionCode, FitnessReason, Hardware, Use } from '../../core/index.ts'

export const USE_WORDS: Record<Use, string> = {
  hot: 'Hot',
  wet: 'Wet',
  worn: 'Worn',
  baby: 'Baby',
  childUnderThree: 'Child under three',
  pet: 'Pet',
  device: 'Device',
  decoration: 'Decoration',
  household: 'Household',
}

export const HARDWARE_WORDS: Record<Hardware, string> = {
  smallParts: 'Beads, buttons, safety eyes, pompoms',
  cords: 'Ties or cords',
  magnets: 'Magnets',
  hotGlue: 'Hot glue',
  stiffener: 'Stiffener or glue',
}

/** Each caution: what to watch, in a few bold words, and the sentence after them. */
export const CAUTION_WORDS: Record<CautionCode, readonly [opening: string, rest: string]> = {
  hotMelts: [
    'This yarn melts.',
    'Acrylic, polyester, nylon and blends with them stick to skin when hot. Take cotton, linen or wool.',
  ],
  hotMicrowave: ['Never into a microwave.', 'Metallic threads spark there.'],
  hotFibreNotSaid: [
    'The fibre is not said.',
    'For heat it should be cotton, linen or wool: look at the label.',
  ],
  hotThin: ['One thin layer lets heat through.', 'Hold two strands together or work two layers.'],
  hotDamp: [
    'Never use it wet.',
    'Damp fabric conducts heat. A crocheted holder is not tested protective equipment.',
  ],
  wetUnfit: [
    'This yarn is poor when wet.',
    'Acrylic does not take up water; wool stretches and felts. Cotton or linen do.',
  ],
  smallParts: [
    'Nothing that can come off.',
    'Under three years, and for pets: embroider instead of beads, buttons, safety eyes or pompoms.',
  ],
  neckCords: ['No cords at the neck.', 'Keep ties and cords short, and never at the neck of a hat.'],
  sleepAndCars: ['Off for sleep and in cars.', 'Hats and hoods come off before a child sleeps or rides.'],
  looseThreads: [
    'Check the inside each time.',
    'A loose thread inside can wind around a toe or finger: weave every end in.',
  ],
  slipperySoles: [
    'Crocheted soles slip.',
    'For feet that do not walk yet, or add grip; look for loose threads inside each time.',
  ],
  safetyRules: [
    'Rules for children’s things apply.',
    'If you give or sell it, check your local product-safety rules.',
  ],
  magnets: [
    'Swallowed magnets injure.',
    'Enclose them fully; keep them from children and from implanted medical devices.',
  ],
  hotGlue: ['Hot glue burns.', 'Keep fingers off the nozzle, and the finished piece from heat.'],
  stiffener: ['Ventilate, and follow the label.', 'Stiffened pieces are not for food or hot use.'],
  device: [
    'Not while charging or hot.',
    'Take the device out to charge; crochet is neither waterproof nor shockproof.',
  ],
  pet: ['Only while somebody watches.', 'Nothing on it that can be chewed off.'],
  fire: ['Keep it from flames.', 'Hanging pieces and long fibres catch from candles and stoves.'],
}

/** Why a fibre suits a use or not, to follow "cotton, hot:". */
export const REASON_WORDS: Record<FitnessReason, string> = {
  standsHeat: 'stands heat',
  melts: 'melts and sticks to skin',
  sparks: 'melts, and sparks in a microwave',
  absorbs: 'takes up water',
  doesNotAbsorb: 'does not take up water',
  stretchesWet: 'stretches and felts when wet',
  softWashable: 'soft and washable',
  mayFelt: 'felts in a hot wash',
  scratches: 'scratches',
  mayCatch: 'its threads can be chewed out',
  noMatter: 'any fibre will do',
  fibreNotSaid: 'look at the label',
}
