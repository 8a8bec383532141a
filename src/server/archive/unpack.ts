import type { Installation } from '../installation';
import { opened, readArchive } from './read';
import { readFirmArchive, type FirmTaken } from './read-firm';

export type Unpacked = ({ kind: 'firm' } & FirmTaken) | { kind: 'job'; job: string; name: string; seq: number };

/** Reads in whatever was packed in another house: one job, or a whole firm. */
export async function unpack(installation: Installation, file: string, who: string): Promise<Unpacked> {
  const isFirm = await opened(file, async (zip) => {
    for await (const { fileName } of zip.eachEntry()) if (fileName === 'firm.json') return true;
    return false;
  });
  return isFirm
    ? { kind: 'firm', ...(await readFirmArchive(installation, file, who)) }
    : { kind: 'job', ...(await readArchive(installation, file, who)) };
}
