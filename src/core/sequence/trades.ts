/** The kinds of work a renovation contractor calls in. `nobody` is a wait: an inspection, an answer, a cure. */
export const TRADES = {
  'tear-out': 'Tear-out',
  carpentry: 'Carpentry',
  structure: 'Structure and masonry',
  plumbing: 'Plumbing',
  gas: 'Gas',
  air: 'Air and heat',
  wiring: 'Wiring',
  insulation: 'Insulation',
  board: 'Board and tape',
  plaster: 'Plaster',
  paint: 'Paint',
  flooring: 'Flooring',
  cabinets: 'Cabinets',
  stone: 'Stone tops',
  tile: 'Tile',
  finish: 'Finish carpentry',
  roofing: 'Cladding and roofing',
  glass: 'Windows and glass',
  ground: 'Ground works and concrete',
  metal: 'Metal and rails',
  cleaning: 'Cleaning',
  nobody: 'Waiting',
} as const;

export type Trade = keyof typeof TRADES;
export const TRADE_KEYS = Object.keys(TRADES) as Trade[];
export const isTrade = (text: string): text is Trade => Object.hasOwn(TRADES, text);
