'use client';
import { useState } from 'react';
import { removeNeighbour, setNeighbour } from '@/contract/commands/neighbours';
import type { NewsView } from '@/contract/views/news';
import { CommandForm, SelectField, TextField } from '../kit/form';
import { Hidden } from '../kit/hidden';
import { Line, Lines } from '../kit/lines';
import { LinkButton } from '../kit/link-button';
import { BlockHead } from '../kit/page';
import { Phone } from '../kit/phone';
import { SidePanel } from '../kit/side-panel';
import { useSend } from '../kit/use-send';
import { newId } from '../offline/send';

type Neighbour = NewsView['neighbours'][number];

/** Who lives beside the job and is told of noise, dust and what stands in the way. */
export function Neighbours({ view }: { view: NewsView }) {
  const { busy, give } = useSend();
  const [editing, setEditing] = useState<Neighbour>();
  return (
    <>
      <BlockHead heading="Neighbours">
        <LinkButton
          className="push"
          onClick={() =>
            setEditing({
              id: newId(),
              name: '',
              email: '',
              phone: '',
              note: '',
              needed: '',
              neededFor: '',
              forWork: '',
            })
          }
        >
          Add one
        </LinkButton>
      </BlockHead>
      {view.neighbours.length === 0 && (
        <p className="soft mt-2 small-text">
          Nobody yet. Who is here is told when it is loud, and what stands outside.
        </p>
      )}
      <Lines>
        {view.neighbours.map((neighbour) => (
          <Line key={neighbour.id}>
            <span className="fw-bold">{neighbour.name}</span> <Phone number={neighbour.phone} />
            <div className="small-text soft">
              {[
                neighbour.email,
                neighbour.note,
                neighbour.needed && `needed: ${neighbour.needed}${neighbour.forWork && ` for ${neighbour.forWork}`}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </div>
            <div className="small-text">
              <LinkButton onClick={() => setEditing(neighbour)}>
                Change<Hidden> {neighbour.name}</Hidden>
              </LinkButton>
              {' · '}
              <LinkButton
                disabled={busy}
                onClick={() =>
                  void give(
                    removeNeighbour,
                    { id: neighbour.id },
                    { text: `${neighbour.name} is off the list.`, back: `${neighbour.name} is back.` },
                  )
                }
              >
                Remove<Hidden> {neighbour.name}</Hidden>
              </LinkButton>
            </div>
          </Line>
        ))}
      </Lines>
      <SidePanel title="A neighbour" open={editing !== undefined} onClose={() => setEditing(undefined)}>
        {editing && (
          <CommandForm
            key={editing.id}
            kind={setNeighbour}
            submit="Save"
            onDone={() => setEditing(undefined)}
            start={() => {
              const { id, name, email, phone, note, needed, neededFor } = editing;
              return { job: view.job.id, id, name, email, phone, note, needed, neededFor };
            }}
          >
            <TextField name="name" label="Their name, or the house" />
            <TextField name="email" label="Their e-mail" type="email" />
            <TextField name="phone" label="Telephone" type="tel" />
            <TextField name="note" label="To be minded: animals, hours" rows={2} />
            <TextField
              name="needed"
              label="What of theirs is needed"
              hint="Their fence, their drive, the use of their yard. They hear on which days, and when these move."
            />
            <SelectField
              name="neededFor"
              label="For which work"
              none="nothing of theirs is needed"
              options={view.works.map(({ task, label }) => [task, label] as const)}
            />
          </CommandForm>
        )}
      </SidePanel>
    </>
  );
}
