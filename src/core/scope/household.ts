import { HOUSEHOLD_NEEDS, isHouseholdNeed } from '../sites/household-needs';
import { phaseFacts } from '../sequence/phases';
import type { Site, SiteArea } from '../sequence/site';

const worked = (area: SiteArea): boolean => area.track.some((step) => step.fraction < 1);

/**
 * What people who stay in the house have to live with, as sentences with a key each. Empty where nobody lives there.
 */
export function householdLines(site: Site): { key: string; text: string }[] {
  if (!site.livedIn) return [];
  const busy = site.areas.filter(worked);
  const services = [...new Set(site.areas.flatMap((area) => area.provides))];
  const lost = services.flatMap((service) => {
    const places = site.areas.filter((area) => area.provides.includes(service));
    const out = places.filter((area) => worked(area));
    if (out.length === 0) return [];
    const word = isHouseholdNeed(service) ? HOUSEHOLD_NEEDS[service] : service;
    const names = out.map((area) => area.name).join(', ');
    return [
      {
        key: `household ${service}`,
        text:
          out.length === places.length
            ? `There is no other ${word}: while ${names} is worked on, we agree with you beforehand how you do ` +
              'without or what stands in for it.'
            : `The ${word} in ${names} is out of use for a while; one elsewhere in the house stays.`,
      },
    ];
  });
  const loud = busy.filter((area) => area.track.some((step) => step.fraction < 1 && phaseFacts(step.phase).loud));
  const dusty = busy.filter(
    (area) =>
      area.kind !== 'face' &&
      area.kind !== 'ground' &&
      area.track.some((step) => step.fraction < 1 && phaseFacts(step.phase).dusty),
  );
  const passages = busy.filter((area) => area.passage);
  return [
    ...lost,
    ...(loud.length > 0
      ? [
          {
            key: 'household noise',
            text:
              'Loud work in ' +
              `${loud.map((area) => area.name).join(', ')}${site.loudHalf ? `, in the ${site.loudHalf} only` : ''}.`,
          },
        ]
      : []),
    ...(dusty.length > 0
      ? [
          {
            key: 'household dust',
            text:
              `Dust in ${dusty.map((area) => area.name).join(', ')}: doors and floors on the way are covered, and ` +
              'what you value is best put away.',
          },
        ]
      : []),
    ...(passages.length > 0
      ? [
          {
            key: 'household way',
            text: `You and the crews go through ${passages.map((area) => area.name).join(', ')}; it stays passable.`,
          },
        ]
      : []),
  ];
}
