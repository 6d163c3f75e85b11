import type { Shape } from '@ant-trail/contract/common';
import { Asset } from '@ant-trail/contract/register';
import { sameKind } from '@ant-trail/core/register';
import { useState } from 'react';
import { Column } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Segments } from '@/design/choose.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Input } from '@/design/input.tsx';
import { NamesField } from '@/design/names-field.tsx';
import { Notice } from '@/design/notice.tsx';
import { Body } from '@/design/text.tsx';
import { Tick } from '@/design/tick.tsx';
import { ask, wordsFor } from '@/device/api.ts';
import { FactsFields } from '@/features/fields/desk/facts-fields.tsx';
import { useFacts } from '@/features/fields/desk/use-facts.ts';
import { useKinds } from './use-kinds.ts';

export interface ThingDialogProps {
  readonly site: string;
  /** The thing that is changed; null for a new one. */
  readonly thing: Asset | null;
  /** What is in the register here. */
  readonly things: readonly Asset[];
  /** Where a new one stands at first. */
  readonly within: string | null;
  /** What is known of a new one already: it was chosen on the map. */
  readonly begin?: { readonly name: string; readonly shape: Shape };
  readonly onClose: () => void;
  readonly onSaved: (thing: Asset) => void;
}

const WHAT = [
  { value: 'thing', label: 'A thing' },
  { value: 'area', label: 'An area' },
] as const;

const KINDS_NAMED = 8;

/** Enters a thing or an area, or changes what is known of it. */
export function ThingDialog(props: ThingDialogProps) {
  const { site, thing, things, onClose, onSaved } = props;
  const kinds = useKinds();
  const [area, setArea] = useState(thing?.area ?? false);
  const [kind, setKind] = useState(thing?.kind ?? '');
  const [name, setName] = useState(thing?.name ?? props.begin?.name ?? '');
  const [within, setWithin] = useState(props.within);
  const [alsoIn, setAlsoIn] = useState<readonly string[]>(thing?.alsoIn ?? []);
  const [purposes, setPurposes] = useState<readonly string[]>(thing?.purposes ?? []);
  const written = useFacts(thing?.facts ?? {});
  const [problem, setProblem] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const fields = kinds.find((each) => sameKind(each.name, kind))?.fields ?? [];
  // Kinds that were only ever written are named beside those that have fields.
  const named = [
    ...kinds.map((each) => each.name),
    ...things.filter((each) => !each.area).map((each) => each.kind),
  ];
  const offered = [...new Map(named.map((each) => [each.trim().toLowerCase(), each])).values()];
  const stands = thing ? thing.within : within;
  const zones = things.filter(
    (each) =>
      each.area &&
      each.id !== thing?.id &&
      each.id !== stands &&
      each.purposes.length > 0 &&
      (!each.retired || alsoIn.includes(each.id)),
  );
  const save = async (): Promise<void> => {
    setAsked(true);
    const fits = written.settle();
    if (!name.trim() || (!area && !kind.trim()) || !fits) return;
    const said = {
      ...{ name, kind: kind.trim() || 'area', facts: area ? {} : written.facts },
      ...{ purposes: area ? purposes : [], alsoIn },
    };
    try {
      const saved = thing
        ? await ask(Asset, 'PUT', `/api/assets/${thing.id}`, said)
        : await ask(Asset, 'POST', `/api/sites/${site}/assets`, {
            ...{ ...said, area, within, shape: props.begin?.shape ?? null },
          });
      onClose();
      onSaved(saved);
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  return (
    <Dialog title={thing ? thing.name : 'Add to the register'} onClose={onClose} width={560}>
      <Column gap="$3">
        {thing ? null : (
          <Segments
            label="What is it?"
            options={WHAT}
            chosen={[area ? 'area' : 'thing']}
            onPress={(what) => setArea(what === 'area')}
          />
        )}
        <Input
          label="What it is called"
          value={name}
          onChange={setName}
          problem={asked && !name.trim() ? 'Give it a name.' : undefined}
        />
        <Input
          label={area ? 'What kind of area, such as room or floor' : 'Kind of thing'}
          value={kind}
          onChange={setKind}
          {...(area || offered.length === 0
            ? {}
            : { help: `So far: ${offered.slice(0, KINDS_NAMED).join(', ')}` })}
          problem={asked && !area && !kind.trim() ? 'Say what kind of thing it is.' : undefined}
        />
        {thing ? null : (
          <FindAmong
            label="Where does it stand?"
            empty="At the place itself"
            chosen={within}
            onChoose={setWithin}
            options={things
              .filter((each) => !each.retired && (each.area || !area))
              .map((each) => ({ value: each.id, label: each.name, about: each.kind }))}
          />
        )}
        {zones.length > 0 ? (
          <Column gap="$1" role="group" aria-label="Belongs to as well">
            <Body small strong>
              Which areas does it belong to besides the one it stands in?
            </Body>
            {zones.map(({ id, name: called, purposes: serves }) => (
              <Tick
                key={id}
                label={`${called}, for ${serves.join(' and ')}`}
                on={alsoIn.includes(id)}
                onPress={() =>
                  setAlsoIn(
                    alsoIn.includes(id) ? alsoIn.filter((each) => each !== id) : [...alsoIn, id],
                  )
                }
              />
            ))}
          </Column>
        ) : null}
        {area ? (
          <NamesField
            label="What it serves, in a few words between commas"
            names={purposes}
            onChange={setPurposes}
            help="The same room can be one for lighting and one for heating."
          />
        ) : (
          <FactsFields {...{ fields, written }} />
        )}
        {problem ? (
          <Notice tone="eyes" alert>
            {problem}
          </Notice>
        ) : null}
        <Button main onPress={save}>
          Save
        </Button>
      </Column>
    </Dialog>
  );
}
