import type { RoundStop } from '@ant-trail/contract/rounds';
import { AssetsAnswer } from '@ant-trail/contract/register';
import { Site } from '@ant-trail/contract/sites';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Input } from '@/design/input.tsx';
import { Notice } from '@/design/notice.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body, Figure, Heading } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { FindTemplate } from '@/features/planning/desk/find-template.tsx';
import { FindSite } from '@/features/sites/desk/find-site.tsx';
import { moved } from './move-stop.ts';

export interface StopsFieldProps {
  readonly stops: readonly RoundStop[];
  readonly templates: readonly PublishedTemplate[];
  readonly mayChange: boolean;
  readonly problem?: string | undefined;
  readonly onChange?: (stops: RoundStop[]) => void;
}

const NOTHING = (): void => undefined;
const LENGTHS = [2, 5, 10, 15, 20, 30, 45, 60, 90, 120, 180, 240];

/** The stops of a round in order: stops at one place one after the other are one visit. */
export function StopsField({
  stops,
  templates,
  mayChange,
  problem,
  onChange = NOTHING,
}: StopsFieldProps) {
  const change = (at: number, part: Partial<RoundStop>): void =>
    onChange(stops.map((stop, index) => (index === at ? { ...stop, ...part } : stop)));
  const titleOf = (template: string): string =>
    templates.find((each) => each.template === template)?.body.title ?? 'a sheet';
  return (
    <Column gap="$2">
      <Heading>Stops</Heading>
      <Column role="list" aria-label="Stops">
        {stops.map((stop, at) => (
          <Column key={`${at} ${stop.site} ${stop.asset}`} role="listitem" gap="$1">
            <Row gap="$3" paddingVertical="$2" flexWrap="wrap">
              <Figure small width={24} textAlign="right">
                {at + 1}
              </Figure>
              <Column flex={1} minWidth={180}>
                <StopName stop={stop} isNewPlace={stops[at - 1]?.site !== stop.site} />
                <Body small quiet>
                  {titleOf(stop.template)}
                  {mayChange ? '' : `, ${stop.minutes} min`}
                </Body>
              </Column>
              {mayChange ? (
                <Row gap="$1">
                  <Pick
                    label={`Length of stop ${at + 1}`}
                    hideLabel
                    value={String(stop.minutes)}
                    onChange={(minutes) => change(at, { minutes: Number(minutes) })}
                    options={[...new Set([...LENGTHS, stop.minutes])]
                      .sort((a, b) => a - b)
                      .map((minutes) => ({ value: String(minutes), label: `${minutes} min` }))}
                  />
                  <Button
                    dense
                    plain
                    disabled={at === 0}
                    label={`Stop ${at + 1} earlier`}
                    onPress={() => onChange(moved(stops, at, at - 1))}
                  >
                    ↑
                  </Button>
                  <Button
                    dense
                    plain
                    disabled={at === stops.length - 1}
                    label={`Stop ${at + 1} later`}
                    onPress={() => onChange(moved(stops, at, at + 1))}
                  >
                    ↓
                  </Button>
                  <Button
                    dense
                    plain
                    label={`Take stop ${at + 1} out`}
                    onPress={() => onChange(stops.filter((_, index) => index !== at))}
                  >
                    Take out
                  </Button>
                </Row>
              ) : null}
            </Row>
            <Rule />
          </Column>
        ))}
      </Column>
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
      {mayChange ? (
        <AddStops
          templates={templates}
          last={stops.at(-1)}
          onAdd={(more) => onChange([...stops, ...more])}
        />
      ) : null}
    </Column>
  );
}

function StopName({ stop, isNewPlace }: { stop: RoundStop; isNewPlace: boolean }) {
  const site = useOffice(Site, `/api/sites/${stop.site}`, ['site']).answer;
  const things = useOffice(
    AssetsAnswer,
    stop.asset === null ? null : `/api/sites/${stop.site}/assets`,
    ['asset'],
  ).answer;
  const thing = things?.assets.find(({ id }) => id === stop.asset)?.name;
  const place = site?.name ?? '…';
  if (stop.asset === null) return <Body strong>{place}</Body>;
  return (
    <Body strong>
      {thing ?? '…'}
      {isNewPlace ? `, ${place}` : ''}
    </Body>
  );
}

interface AddStopsProps {
  readonly templates: readonly PublishedTemplate[];
  readonly last: RoundStop | undefined;
  readonly onAdd: (stops: RoundStop[]) => void;
}

/** A place, one thing at it, or all of a kind at once. */
function AddStops({ templates, last, onAdd }: AddStopsProps) {
  const [site, setSite] = useState<Pick<Site, 'id' | 'name'> | null>(null);
  const [what, setWhat] = useState<string | null>(null);
  const [template, setTemplate] = useState<string | null>(last?.template ?? null);
  const [minutes, setMinutes] = useState('20');
  const [problem, setProblem] = useState<string | null>(null);
  const register = useOffice(AssetsAnswer, site ? `/api/sites/${site.id}/assets` : null, ['asset']);
  const things = (register.answer?.assets ?? []).filter(({ retired }) => !retired);
  const kinds = [...new Set(things.filter(({ area }) => !area).map(({ kind }) => kind))];
  const add = (): void => {
    const length = Number(minutes);
    if (!site || !template) return setProblem('Choose the place, and the sheet that is filled in.');
    if (!Number.isInteger(length) || length < 1 || length > 720)
      return setProblem('Say how many minutes a stop takes: 1 to 720.');
    setProblem(null);
    const kind = what?.startsWith('kind ') ? what.slice(5) : null;
    const assets: (string | null)[] = kind
      ? things.filter((thing) => thing.kind === kind && !thing.area).map(({ id }) => id)
      : [what];
    onAdd(assets.map((asset) => ({ site: site.id, asset, template, minutes: length })));
    setWhat(null);
  };
  return (
    <Column gap="$2" role="group" aria-label="Add stops">
      <Row gap="$2" alignItems="flex-end" flexWrap="wrap">
        <FindSite
          label="Place"
          chosen={site}
          onChoose={(place) => {
            setSite(place);
            setWhat(null);
          }}
        />
        {things.length > 0 ? (
          <FindAmong
            label="What there"
            empty="the whole place"
            chosen={what}
            onChoose={setWhat}
            options={[
              ...kinds.map((kind) => ({ value: `kind ${kind}`, label: `every ${kind}` })),
              ...things.map(({ id, name, kind }) => ({ value: id, label: name, about: kind })),
            ]}
          />
        ) : null}
        <FindTemplate
          label="Sheet"
          templates={templates}
          chosen={template}
          onChoose={setTemplate}
        />
        <Input label="Minutes" kind="decimal" value={minutes} onChange={setMinutes} />
        <Button onPress={add}>Add</Button>
      </Row>
      {problem ? (
        <Notice tone="eyes" alert>
          {problem}
        </Notice>
      ) : null}
    </Column>
  );
}
