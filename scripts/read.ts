import { readFileSync } from 'node:fs';
import { readAreaNames } from '../src/core/narration/area-names';
import { readCaptions } from '../src/core/narration/captions';
import { readNarration } from '../src/core/narration/read';

// npm run read -- FILE.vtt [--areas FILE.csv]: the drafts of a narration as JSON lines.
const args = process.argv.slice(2);
const areasAt = args.indexOf('--areas');
const areaFile = areasAt === -1 ? undefined : args[areasAt + 1];
const file = args.find((arg, index) => !arg.startsWith('--') && (areasAt === -1 || index !== areasAt + 1));
if (file === undefined) {
  console.error('usage: npm run read -- FILE.vtt|FILE.srt|FILE.txt [--areas FILE.csv]');
  process.exit(2);
}
const captions = readCaptions(readFileSync(file, 'utf8'));
if (!captions.ok) {
  console.error(captions.problem.message);
  process.exit(1);
}
for (const draft of readNarration(
  captions.value.cues,
  areaFile === undefined ? [] : readAreaNames(readFileSync(areaFile, 'utf8')),
))
  console.log(JSON.stringify(draft));
