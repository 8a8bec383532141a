'use client';
import { More } from '../kit/folded';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { dropRule, rewriteRule, switchRule, unswitchRule, writeRule } from '@/contract/commands/knowledge';
import type { RuleView, SequenceView } from '@/contract/views/plan';
import { PHASE_KEYS, phaseFacts } from '@/core/sequence/phases';
import { counted } from '@/core/words/count';
import { FormEffect } from '../kit/effect';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';
import { Hidden } from '../kit/hidden';
import { FoldedBlock } from '../kit/page';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';

type Open = { what: 'write' } | { what: 'rewrite' | 'switch'; rule: RuleView };

/**
 * The rules by number, with how many links of this job come from each; the firm's own among them, to be written and
 * switched.
 */
export function Rules({ view }: { view: SequenceView }) {
  const [open, setOpen] = useState<Open>();
  const { busy, give } = useSend();
  const close = (): void => setOpen(undefined);
  // What the firm wrote or switched is seen at once; the rules that everybody builds by are a press away.
  const isChanged = ({ own, off }: RuleView): boolean => Boolean(own) || off.length > 0;
  const [changed, usual] = [view.rules.filter(isChanged), view.rules.filter((rule) => !isChanged(rule))];
  const drawn = (rule: RuleView) => (
    <Line
      key={rule.number}
      mark={
        <span className="mono soft" style={{ width: '1.9rem' }}>
          {rule.number}
        </span>
      }
      small
      beside={
        <span className="text-nowrap">
          {rule.own && (
            <LinkButton className="me-2" onClick={() => setOpen({ what: 'rewrite', rule })}>
              Change<Hidden> rule {rule.number}</Hidden>
            </LinkButton>
          )}
          {!rule.stays && (
            <LinkButton onClick={() => setOpen({ what: 'switch', rule })}>
              Switch<Hidden> rule {rule.number}</Hidden>
            </LinkButton>
          )}
        </span>
      }
    >
      <span className={rule.off.some((off) => off.area === null) ? 'fw-bold text-decoration-line-through' : 'fw-bold'}>
        {rule.title}
      </span>{' '}
      <span className="mono">{rule.strength === 'hard' ? 'must' : 'prefer'}</span>
      {rule.links > 0 && (
        <span className="soft">
          {' '}
          · {rule.links} links here{rule.decides > 0 && `, decides the day of ${rule.decides}`}
        </span>
      )}
      <div className="soft">
        {rule.reason}
        {rule.own && !rule.own.job && ' (the firm’s own)'}
        {rule.own?.job && ' (for this job)'}
      </div>
      {rule.off.map((off) => (
        <div key={off.area?.id ?? String(off.firm)} className="soon">
          does not hold {off.area ? `in ${off.area.name}` : off.firm ? 'in the firm' : 'in this job'}: {off.reason}{' '}
          <LinkButton
            className="align-baseline"
            disabled={busy}
            onClick={() =>
              void give(
                unswitchRule,
                {
                  rule: rule.number,
                  ...(off.firm ? {} : { job: view.job.id }),
                  ...(off.area ? { area: off.area.id } : {}),
                },
                { text: `Rule ${rule.number} holds again.` },
              )
            }
          >
            Let it hold<Hidden> again: {rule.title}</Hidden>
          </LinkButton>
        </div>
      ))}
    </Line>
  );
  return (
    <FoldedBlock
      heading="The rules and why"
      of="word.rule"
      says={
        changed.length > 0
          ? `${changed.length} of ${view.rules.length} are your own or switched`
          : counted(usual.length, 'rule') + ' of the trade'
      }
      open={changed.length > 0}
      beside={
        <LinkButton className="push" onClick={() => setOpen({ what: 'write' })}>
          Write a rule
        </LinkButton>
      }
    >
      <p className="soft small-text mt-2 mb-1">
        “Must” is physics, cover, safety or inspection; “prefer” gives way where it would go round in a circle. Local
        code and licensed practice decide.
      </p>
      {changed.length === 0 ? (
        <Lines>{usual.map(drawn)}</Lines>
      ) : (
        <>
          <Lines>{changed.map(drawn)}</Lines>
          <More words={`${counted(usual.length, 'rule')} of the trade, as they stand`}>
            <Lines>{usual.map(drawn)}</Lines>
          </More>
        </>
      )}
      <SidePanel
        title={
          open?.what === 'write'
            ? 'Write a rule'
            : open?.what === 'rewrite'
              ? `Change rule ${open.rule.number}`
              : open
                ? `Rule ${open.rule.number}: ${open.rule.title}`
                : ''
        }
        open={open !== undefined}
        onClose={close}
      >
        {open && <OneForm view={view} open={open} onDone={close} />}
      </SidePanel>
    </FoldedBlock>
  );
}

function OneForm({ view, open, onDone }: { view: SequenceView; open: Open; onDone: () => void }) {
  const { give } = useSend();
  if (open.what === 'switch') {
    return (
      <CommandForm
        kind={switchRule}
        submit="Switch it off"
        onDone={onDone}
        beside={<FormEffect kind={switchRule} />}
        start={() => ({ id: newId(), rule: open.rule.number, job: view.job.id, holds: false, reason: '' })}
      >
        <p>{open.rule.reason}.</p>
        {open.rule.strength === 'hard' && (
          <p className="soon small-text">
            This rule is a must: physics, cover, safety or inspection stand behind it. Switched off, its order is yours
            to answer for, and local code and licensed practice still decide.
          </p>
        )}
        <SelectField
          name="job"
          label="Where it shall not hold"
          none="in the whole firm"
          options={[[view.job.id, 'in this job']]}
        />
        <SelectField
          name="area"
          label="In this job"
          none="everywhere"
          options={view.areas.map((area) => [area.id, `in ${area.name} alone`])}
        />
        <TextField name="reason" label="Because" hint="Said wherever the rule is missed." />
      </CommandForm>
    );
  }
  if (open.what === 'rewrite' && open.rule.own) {
    const { id, version, before, after, within, kind, lag, lagUnit, strength, reason } = open.rule.own;
    return (
      <CommandForm
        kind={rewriteRule}
        submit="Save"
        onDone={onDone}
        start={() => ({ id, version, before, after, within, kind, lag, lagUnit, strength, reason })}
        beside={
          <>
            <FormEffect kind={rewriteRule} />
            <Button
              variant="link"
              onClick={() =>
                void give(dropRule, { id, version }, { text: 'The rule is dropped; the plan follows.' }).then(
                  (ok) => ok && onDone(),
                )
              }
            >
              Remove the rule
            </Button>
          </>
        }
      >
        <RuleFields />
      </CommandForm>
    );
  }
  return (
    <CommandForm
      kind={writeRule}
      submit="Save"
      onDone={onDone}
      beside={<FormEffect kind={writeRule} />}
      start={() => ({
        id: newId(),
        job: view.job.id,
        before: undefined,
        after: undefined,
        within: 'area' as const,
        kind: 'FS' as const,
        lag: 0,
        lagUnit: 'work' as const,
        strength: 'hard' as const,
        reason: '',
      })}
    >
      <p className="soft small-text">
        One step before another, with why. A rule that would send work round in a circle is refused, and says where,
        step by step.
      </p>
      <SelectField
        name="job"
        label="It counts"
        none="in the whole firm"
        options={[[view.job.id, 'in this job alone']]}
      />
      <RuleFields />
    </CommandForm>
  );
}

const PHASE_OPTIONS = PHASE_KEYS.map((phase) => [phase, phaseFacts(phase).label] as const);

const RuleFields = () => (
  <>
    <div className="form-pair">
      <SelectField name="before" label="Before" none="choose" options={PHASE_OPTIONS} />
      <SelectField name="after" label="After" none="choose" options={PHASE_OPTIONS} />
    </div>
    <SelectField
      name="within"
      label="Where"
      options={[
        ['area', 'in the same area'],
        ['beside', 'in this area and those beside it'],
        ['route', 'in the passages on its way, before the area'],
        ['job', 'anywhere in the job'],
      ]}
    />
    <SelectField
      name="kind"
      label="What waits for what"
      options={[
        ['FS', 'it begins when the other has ended'],
        ['SS', 'it begins when the other has begun'],
        ['FF', 'it ends when the other has ended'],
      ]}
    />
    <div className="form-pair">
      <TextField name="lag" label="And then half-days" type="number" />
      <SelectField
        name="lagUnit"
        label="Counted as"
        options={[
          ['work', 'worked half-days'],
          ['elapsed', 'every half-day (drying, curing)'],
        ]}
      />
    </div>
    <SelectField
      name="strength"
      label="Strength"
      options={[
        ['hard', 'must'],
        ['soft', 'a preference: dropped if it clashes with a must'],
      ]}
    />
    <TextField name="reason" label="Because" hint="Shown on every link it makes." />
  </>
);
