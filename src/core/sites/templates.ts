import type { Work } from '../sequence/works';
import { isPassageByName, standsOnLevel, type Draft, type DraftArea } from './draft-area';
import type { AreaKind } from './area';

/** Starting points for a new job; every line of them is changed, dropped or added to before it is set out. */
interface Template extends Draft {
  key: string;
  label: string;
}

const area = (level: string | null, name: string, kind: AreaKind, ...works: Work[]): DraftArea => ({
  name,
  kind,
  level: standsOnLevel(kind) ? level : null,
  works,
  size: 1,
  passage: isPassageByName(name, kind),
});
const GROUND = { name: 'Ground floor', height: 0 };
const UPPER = { name: 'Upper floor', height: 1 };

export const TEMPLATES: readonly Template[] = [
  {
    key: 'kitchen',
    label: 'One kitchen',
    levels: [GROUND],
    areas: [area('Ground floor', 'Kitchen', 'room', 'kitchen'), area('Ground floor', 'Hall', 'room', 'none')],
  },
  {
    key: 'bath',
    label: 'One bath',
    levels: [UPPER],
    areas: [area('Upper floor', 'Bath', 'wet', 'bathroom'), area('Upper floor', 'Landing', 'room', 'none')],
  },
  {
    key: 'flat',
    label: 'A flat, all of it',
    levels: [{ name: 'The flat', height: 0 }],
    areas: [
      area('The flat', 'Hall', 'room', 'services', 'redecorate'),
      area('The flat', 'Kitchen', 'room', 'kitchen'),
      area('The flat', 'Living room', 'room', 'floor', 'redecorate'),
      area('The flat', 'Bedroom', 'room', 'floor', 'redecorate'),
      area('The flat', 'Bath', 'wet', 'bathroom'),
    ],
  },
  {
    key: 'house',
    label: 'A house on two floors',
    levels: [GROUND, UPPER],
    areas: [
      area('Ground floor', 'Hall and stairs', 'room', 'services', 'redecorate'),
      area('Ground floor', 'Kitchen', 'room', 'kitchen'),
      area('Ground floor', 'Living room', 'room', 'rebuild'),
      area('Ground floor', 'Toilet', 'wet', 'bathroom'),
      area('Upper floor', 'Landing', 'room', 'redecorate'),
      area('Upper floor', 'Main bedroom', 'room', 'redecorate'),
      area('Upper floor', 'Second bedroom', 'room', 'redecorate'),
      area('Upper floor', 'Bath', 'wet', 'bathroom'),
      area(null, 'Front', 'face', 'repaint'),
      area(null, 'Back', 'face', 'repaint'),
      area(null, 'Roof', 'roof', 'none'),
      area(null, 'Yard and drain', 'ground', 'drain'),
    ],
  },
  {
    key: 'outside',
    label: 'Outside only',
    levels: [],
    areas: [
      area(null, 'Front', 'face', 'reclad'),
      area(null, 'Left side', 'face', 'reclad'),
      area(null, 'Back', 'face', 'reclad'),
      area(null, 'Right side', 'face', 'reclad'),
      area(null, 'Roof', 'roof', 'reroof'),
    ],
  },
];
