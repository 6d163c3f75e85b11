import type { JobDraft, SheetDraft } from '@ant-trail/contract/planning/desk';
import { AssetsAnswer } from '@ant-trail/contract/register';
import type { PublishedTemplate } from '@ant-trail/contract/templates';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { FindAmong } from '@/design/find-among.tsx';
import { Input } from '@/design/input.tsx';
import { MeasureFields } from '@/design/measure-fields.tsx';
import { Pick } from '@/design/pick.tsx';
import { Tick } from '@/design/tick.tsx';
import { useOffice } from '@/device/office.ts';
import { FindPerson } from '@/features/accounts/desk/find-person.tsx';
import { FindTemplate } from './find-template.tsx';
import { useReaders, type NamedPerson } from '@/features/accounts/desk/use-people.ts';

export interface MoreOfJobProps {
  readonly form: UseFormReturn<JobDraft>;
  readonly templates: readonly PublishedTemplate[];
  readonly people: readonly NamedPerson[];
}

/** What few jobs need: further sheets, helpers, and how many sheets there will be in the end. */
export function MoreOfJob({ form, templates, people }: MoreOfJobProps) {
  const { control, setValue } = form;
  const [sheets = [], helpers = [], expected, person, site, reader, mustSign, takes = [], first] =
    useWatch({
      control,
      name: [
        'moreSheets',
        'helpers',
        'expectedSheets',
        'person',
        'site',
        'reader',
        'mustSign',
        'takes',
        'template',
      ],
    });
  const readers = useReaders();
  const register = useOffice(AssetsAnswer, site ? `/api/sites/${site}/assets` : null, [
    'site',
  ]).answer;
  const things = (register?.assets ?? []).filter(({ retired }) => !retired);
  const change = (index: number, part: Partial<SheetDraft>): void =>
    setSheets(sheets.map((each, at) => (at === index ? { ...each, ...part } : each)));
  const setSheets = (next: NonNullable<JobDraft['moreSheets']>): void =>
    setValue('moreSheets', next);
  const setHelpers = (next: string[]): void => setValue('helpers', next);
  const others = people.filter(({ id }) => id !== person);
  const saysTemplate = templates.some(
    ({ template, body }) =>
      body.signedOnSite && [first, ...sheets.map((each) => each.template)].includes(template),
  );
  const staff = people.filter(({ id }) => id === person || helpers.includes(id));
  return (
    <Column gap="$3">
      {sheets.map((sheet, index) => (
        <Row key={index} gap="$2" alignItems="flex-end" flexWrap="wrap">
          <FindTemplate
            label={`Sheet ${index + 2}`}
            templates={templates}
            chosen={sheet.template}
            onChoose={(template) => change(index, { template: template ?? sheet.template })}
          />
          {things.length > 0 ? (
            <FindAmong
              label={`What sheet ${index + 2} is about`}
              empty="The whole place"
              chosen={sheet.asset}
              onChoose={(asset) => change(index, { asset })}
              options={things.map(({ id, name }) => ({ value: id, label: name }))}
            />
          ) : null}
          <Pick
            label={`Whose sheet ${index + 2} is`}
            value={sheet.person ?? ''}
            onChange={(who) => change(index, { person: who || null })}
            options={[
              { value: '', label: 'Everybody’s' },
              ...staff.map(({ id, name }) => ({ value: id, label: name })),
            ]}
          />
          <Button
            dense
            plain
            label={`Remove sheet ${index + 2}`}
            onPress={() => setSheets(sheets.filter((_, at) => at !== index))}
          >
            Remove
          </Button>
        </Row>
      ))}
      {helpers.map((helper, index) => (
        <Row key={index} gap="$2" alignItems="flex-end">
          <FindPerson
            label={helpers.length === 1 ? 'Helper' : `Helper ${index + 1}`}
            people={others}
            chosen={helper}
            onChoose={(who) =>
              setHelpers(helpers.map((each, at) => (at === index ? (who ?? each) : each)))
            }
          />
          <Button
            dense
            plain
            label={`Remove helper ${index + 1}`}
            onPress={() => setHelpers(helpers.filter((_, at) => at !== index))}
          >
            Remove
          </Button>
        </Row>
      ))}
      <Row gap="$2" flexWrap="wrap">
        <Button
          dense
          disabled={templates.length === 0}
          onPress={() =>
            setSheets([
              ...sheets,
              { template: templates[0]?.template ?? '', asset: null, person: null },
            ])
          }
        >
          Another sheet
        </Button>
        <Button
          dense
          disabled={helpers.length >= others.length}
          onPress={() =>
            setHelpers([...helpers, others.find(({ id }) => !helpers.includes(id))?.id ?? ''])
          }
        >
          A helper
        </Button>
        {reader === undefined ? (
          <Button dense onPress={() => setValue('reader', null)}>
            Who reads it
          </Button>
        ) : null}
        {expected === null || expected === undefined ? (
          <Button dense onPress={() => setValue('expectedSheets', sheets.length + 1)}>
            Sheets are added on site
          </Button>
        ) : null}
      </Row>
      <Tick
        label="Whoever answers for the place signs before it is finished"
        on={mustSign ?? saysTemplate}
        onPress={() => setValue('mustSign', !(mustSign ?? saysTemplate))}
      />
      <MeasureFields
        label="What it takes of a vehicle"
        number="How much"
        rows={takes.map(({ what, much }) => ({ what, count: much }))}
        mayAdd
        onChange={(rows) =>
          setValue(
            'takes',
            rows.map(({ what, count }) => ({ what, much: count })),
          )
        }
      />
      {reader === undefined ? null : (
        <FindPerson
          label="Who reads what comes back"
          empty="Whoever comes to it"
          people={readers}
          chosen={reader}
          onChoose={(who) => setValue('reader', who)}
        />
      )}
      {expected === null || expected === undefined ? null : (
        <Row gap="$2" alignItems="flex-end">
          <Input
            label="Sheets there will be in the end"
            kind="decimal"
            value={String(expected)}
            onChange={(text) => {
              const count = Number.parseInt(text, 10);
              setValue('expectedSheets', Number.isFinite(count) ? count : 1);
            }}
          />
          <Button dense plain onPress={() => setValue('expectedSheets', null)}>
            Not counted
          </Button>
        </Row>
      )}
    </Column>
  );
}
