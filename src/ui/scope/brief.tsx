import { pictureRoute } from '@/contract/routes';
import {
  BRIEF_PART_KEYS,
  BRIEF_PARTS,
  briefText,
  isEmptyBrief,
  type Brief,
  type BriefLine,
  type BriefPart,
  type SiteChoice,
} from '@/core/scope/brief';
import { Line, Lines } from '../kit/lines';
import { StanceMark } from '../kit/inclusion-icon';
import { StateIcon } from '../kit/state-icon';
import type { Inclusion } from '@/core/sites/area';
import { capital } from '@/core/words/letters';

const MARKS: Record<Exclude<BriefPart, 'found'>, Inclusion> = {
  live: 'keep-live',
  out: 'out',
  leave: 'protect',
  protect: 'protect',
  refit: 'refit',
  work: 'in',
};

interface Terms {
  brief: Brief;
  /** Of a page that is opened by a link: its pictures are fetched by it. */
  link?: string;
  /** How a choice that is open is made here. */
  choose?: (choice: SiteChoice) => React.ReactNode;
  /** What can be done with a line here. */
  beside?: (line: BriefLine) => React.ReactNode;
  /** What is said of a line here besides. */
  under?: (line: BriefLine) => React.ReactNode;
}

/** Where a picture is; one that is not handed over yet has an address on this device. */
const addressOf = (link: string | undefined, picture: string, width: 240 | 1280): string =>
  picture.startsWith('blob:') ? picture : pictureRoute(link, picture, width);

/** What a crew is told of one area: what stays live first, then what is not theirs, then the work. */
export function BriefLines({ brief, link, choose, beside, under }: Terms) {
  if (isEmptyBrief(brief)) return null;
  return (
    <div className="brief">
      {BRIEF_PART_KEYS.filter((part) => brief.parts[part].length > 0).map((part) => (
        <section key={part} className={`brief-part brief-${part}`}>
          <h3>
            {part === 'found' ? <StateIcon kind="waiting" silent /> : <StanceMark stance={MARKS[part]} />}{' '}
            {BRIEF_PARTS[part]}
          </h3>
          <Lines>
            {brief.parts[part].map((line) => (
              <Line key={line.id} {...(beside ? { beside: beside(line) } : {})}>
                {briefText(line)}
                {line.note && <span className="soft small-text"> · {line.note}</span>}
                {under?.(line)}
                {line.picture && (
                  <a href={addressOf(link, line.picture, 1280)} className="d-block mt-1">
                    <img
                      src={addressOf(link, line.picture, 240)}
                      alt={`${capital(line.text)}, as found`}
                      loading="lazy"
                      width={160}
                      height={120}
                    />
                  </a>
                )}
              </Line>
            ))}
          </Lines>
        </section>
      ))}
      {brief.choices.length > 0 && (
        <section className="brief-part brief-choices">
          <h3>Your call on site</h3>
          <Lines>
            {brief.choices.map((choice) => (
              <Line key={choice.id} mark={<StateIcon kind={choice.answer ? 'done' : 'waiting'} silent />}>
                {capital(choice.subject)}: {choice.answer || choice.options.join(' or ')}
                {choice.answer && choice.by && <span className="soft small-text"> · decided by {choice.by}</span>}
                {choose?.(choice)}
              </Line>
            ))}
          </Lines>
        </section>
      )}
    </div>
  );
}
