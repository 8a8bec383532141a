import type { CSSProperties } from 'react';
import type { ClientHouse, ClientRoom } from '@/contract/views/news';

/** The house cut open: each room filled from its floor up as far as its work is. */
export function House({ house: { storeys, outside } }: { house: ClientHouse }) {
  if (storeys.length + outside.length === 0) return null;
  return (
    <section aria-label="How far each room is">
      <h2>How far each room is</h2>
      {storeys.length > 0 && (
        <div className="house">
          {storeys.map(({ name, rooms }) => (
            <Floor key={name} name={name} rooms={rooms} />
          ))}
        </div>
      )}
      {outside.length > 0 && <Floor name="Outside" rooms={outside} />}
    </section>
  );
}

const Floor = ({ name, rooms }: { name: string; rooms: readonly ClientRoom[] }) => (
  <div className="house-floor">
    <h3>{name}</h3>
    <ul>
      {rooms.map((room) => (
        <li key={room.name} style={{ '--done': `${Math.floor((room.share ?? 0) * 100)}%` } as CSSProperties}>
          <span>{room.name}</span> <span>{sayShare(room.share)}</span>
        </li>
      ))}
    </ul>
  </div>
);

/** Never all before it is all. */
function sayShare(share: number | null): string {
  if (share === null) return 'no work';
  if (share === 0) return 'not begun';
  return share >= 1 ? 'done' : `${Math.max(1, Math.floor(share * 100))} %`;
}
