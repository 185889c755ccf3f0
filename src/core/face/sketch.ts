import {
  type Area,
  type FacePoint,
  inVariant,
  isPaired,
  type Move,
  touchedAreas,
  UNIT_NAMES,
  type UnitName,
  unitTraits,
  type Variant,
} from '../move';
import { handsOf } from './pose';
import { type Track, trackOf } from './track';

/** How a teacher's own move is shown: worked out of what is known of it. */

/** The place that stands for an area. */
const PLACES: Record<Area, FacePoint> = {
  scalp: 'hairlineSide',
  forehead: 'midForehead',
  brows: 'midBrow',
  temples: 'temple',
  eyes: 'temple',
  ears: 'frontOfEar',
  nose: 'nostril',
  upperCheeks: 'cheekbone',
  lowerCheeks: 'midCheek',
  mouth: 'mouthCorner',
  chin: 'chin',
  jaw: 'jawAngle',
  underChin: 'jawMid',
  frontNeck: 'collarbone',
  sideNeck: 'sideNeck',
  shoulders: 'shoulder',
  chest: 'collarbone',
};
const HEAD: Record<Move['head'], string> = {
  level: '',
  back: '53:.7',
  down: '54:.7',
  turned: '51L:.8',
  leaning: '55L:.7',
};
/** Units that stand for a muscle, where several would do. */
const PREFERRED: readonly UnitName[] = [
  '12',
  '6',
  '18',
  '28',
  '33',
  '43',
  '1',
  '4',
  '15',
  '20',
  '26',
];
const MOVING: readonly Move['kind'][] = ['exercise', 'stretch', 'warmup'];

function unitFor(muscle: Move['muscles'][number]): UnitName | undefined {
  const does = (name: UnitName) => isPaired(name) && unitTraits(name).muscles.includes(muscle);
  return PREFERRED.find(does) ?? UNIT_NAMES.find(does);
}

/** Of a version that has no picture of its own: easier does less of it. */
const EASIER = 0.6;

/** A teacher's own move: as they drew it, else as it can be worked out. */
export function ownTrack(move: Move, variant?: Variant): Track {
  const { looks } = move;
  if (!looks) return sketched(move, variant);
  const { keys, fingers: hands } = (variant && looks[variant]) ?? looks;
  const track = trackOf({ keys, hands });
  if (!variant || looks[variant]) return track;
  const done = inVariant(move, variant);
  const much = variant === 'easier' ? EASIER : 1;
  return {
    ...track,
    keys: track.keys.map((units) => units.map((u) => u * much)),
    hands: done.hands === 'free' ? [] : track.hands,
  };
}

/** What a move does with the muscles it names, with hands where it has them and the head as it is held. */
export function sketched(move: Move, variant?: Variant): Track {
  const done = variant ? inVariant(move, variant) : move;
  const side = done.sides === 'each' ? 'L' : '';
  const units = MOVING.includes(move.kind)
    ? [...new Set(move.muscles.map(unitFor).filter((unit) => unit !== undefined))]
    : [];
  const work = units.map((unit) => `${unit}${side}:.7`).join(' ');
  const keys = units.length > 0 ? [HEAD[done.head], `${HEAD[done.head]} ${work}`] : HEAD[done.head];
  const timed =
    done.dose.kind === 'hold' || done.dose.kind === 'counts' || done.dose.kind === 'open';
  const track = trackOf({ keys: timed ? ([keys].flat().at(-1) ?? '') : keys });
  if (done.hands === 'free') return track;
  const [stroke] = done.strokes;
  const [area] = touchedAreas(done);
  const form = done.pressure === 'strong' ? 'fist' : 'tips';
  const which = done.sides === 'each' ? 'left' : 'both';
  const written = stroke
    ? `${form} stroke ${stroke.join('>')} ${which}`
    : `${form} rest ${area ? PLACES[area] : 'midCheek'} ${which}`;
  return { ...track, hands: handsOf(written) };
}
