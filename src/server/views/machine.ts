import type { MachineView } from '@/contract/views/firm';
import { formatTime } from '@/core/units/date-words';
import { formatDay } from '@/core/units/day';
import { dayIn, timeIn } from '@/core/units/zone';
import { isLow, roomOf } from '../files/room';
import type { Installation } from '../installation';
import { backupsFolder, firstRecord, isBackupOld, lastBackup } from '../reading/backup';
import { whenSeen } from '../words';
import { firmTime, zoneOf } from '../zone';

const GIGABYTE = 1024 ** 3;
const MEGABYTE = 1024 ** 2;
const sizeOf = (bytes: number): string =>
  bytes < GIGABYTE
    ? `${Math.ceil(bytes / MEGABYTE)} MB`
    : `${(bytes / GIGABYTE).toFixed(bytes < 10 * GIGABYTE ? 1 : 0)} GB`;

/** How it stands with what the house is kept on: its backup, its room, its clock. */
export function machineView(installation: Installation): MachineView {
  const { clock } = installation;
  const [time, last, room] = [firmTime(installation), lastBackup(installation), roomOf(installation)];
  return {
    backup: last
      ? {
          ...{ when: whenSeen(last.at, time), megabytes: Math.ceil(last.bytes / 1_000_000), file: last.file },
          old: isBackupOld(last.at, clock.now()),
        }
      : null,
    nightly: backupsFolder(installation) !== undefined,
    room: { taken: sizeOf(room.takenBytes), free: sizeOf(room.freeBytes), low: isLow(room) },
    clock: clockView(installation),
  };
}

/** What the machine shows where it is before what was recorded last; null where it is right as far as one can tell. */
function clockView(installation: Installation): MachineView['clock'] {
  const behind = installation.clock.behind?.();
  if (!behind) return null;
  const zone = zoneOf(installation.db);
  const said = (at: Date): string =>
    `${formatDay(dayIn(zone, at), dayIn(zone, behind.latest))}, ${formatTime(timeIn(zone, at))}`;
  return { shows: said(behind.shows), latest: said(behind.latest) };
}

/** So long after its founding a house is not asked for a backup yet. */
const YOUNG_DAYS = 3;

/** What somebody has to see to on the machine, in a sentence each; a made-up firm is made anew. */
export function machineCares(installation: Installation): string[] {
  if (installation.demo) return [];
  const { backup, room, clock } = machineView(installation);
  return [
    ...(clock ? [`The clock of the machine shows ${clock.shows}, but records were kept until ${clock.latest}`] : []),
    ...(room.low ? [`Only ${room.free} of room are left where the firm is kept`] : []),
    ...(backup?.old ? [`The newest backup is of ${backup.when}`] : []),
    ...(!backup && isOlderThan(installation, YOUNG_DAYS) ? ['There is no backup of the firm yet'] : []),
  ];
}

/** Whether the house has had records for longer than some days. */
function isOlderThan({ db, clock }: Installation, days: number): boolean {
  const first = firstRecord(db);
  return first !== undefined && clock.now().getTime() - Date.parse(first) > days * 86_400_000;
}
