import { Empty } from '../kit/page';

/** What somebody reads who may not see prices. */
export const ForTheOffice = ({ what }: { what: string }) => (
  <div className="page">
    <Empty>
      <p className="mb-0">{what}: only the contractor and the office see this page. Ask one of them.</p>
    </Empty>
  </div>
);
