import { TemplatesAnswer } from '@ant-trail/contract/templates';
import { prepareForAny, questionsOf } from '@ant-trail/core/sheet';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { DeskPage } from '@/design/desk-page.tsx';
import { Input } from '@/design/input.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { useCommandKey } from '@/design/use-command-key.ts';
import { Body, Figure } from '@/design/text.tsx';
import { useOffice } from '@/device/office.ts';
import { hasDraft } from './kept-draft.ts';
import { StartersDialog } from './starters-dialog.tsx';

/** It offers every trade kit there is, so all of them come with it. */
const Builder = lazy(async () => {
  const [{ Builder: part }] = await Promise.all([import('./builder.tsx'), prepareForAny()]);
  return { default: part };
});

/** The templates job sheets are made from, and the way to change them. */
export function TemplatesScreen() {
  const params = useLocalSearchParams<{ open?: string; ready?: string }>();
  const router = useRouter();
  // Heard here, where it is loaded anyway: shared with the builder it would be loaded by phones as well.
  useCommandKey('alt+n', () =>
    document.querySelector<HTMLElement>('#question-source input')?.focus(),
  );
  const [text, setText] = useState('');
  const { answer, problem, again } = useOffice(TemplatesAnswer, '/api/templates');
  const wanted = text.trim().toLowerCase();
  const templates = answer?.templates ?? [];
  const shown = templates.filter(({ body }) => body.title.toLowerCase().includes(wanted));
  const opened = templates.find(({ template }) => template === params.open) ?? null;
  if (params.open && (opened || params.open === 'new'))
    return (
      <Suspense>
        <Builder
          key={params.open}
          published={opened}
          onClose={(published) => {
            if (published) again();
            router.setParams({ open: undefined });
          }}
        />
      </Suspense>
    );
  return (
    <DeskPage
      title="Templates"
      problem={problem}
      about={<Body quiet>{answer ? `${shown.length} shown` : ''}</Body>}
      actions={
        <Row gap="$2">
          <Button dense onPress={() => router.setParams({ ready: 'yes' })}>
            Ready templates
          </Button>
          <Button main dense onPress={() => router.setParams({ open: 'new' })}>
            {hasDraft('new') ? 'Go on with the new template' : 'New template'}
          </Button>
        </Row>
      }
    >
      <Column maxWidth={360}>
        <Input label="Name" value={text} onChange={setText} />
      </Column>
      <Column>
        {shown.map(({ template, body, number }) => (
          <Column key={template}>
            <Rule />
            <PressableRow
              onPress={() => router.setParams({ open: template })}
              paddingVertical="$2"
              justifyContent="center"
            >
              <Row columnGap="$4" alignSelf="stretch" flexWrap="wrap">
                <Body strong width={320}>
                  {body.title}
                </Body>
                <Figure small width={110}>
                  version {number}
                </Figure>
                <Body small quiet width={150}>
                  {questionsOf(body).length} questions
                </Body>
                <Body small quiet flex={1}>
                  {[
                    hasDraft(template) ? 'a draft is kept here' : '',
                    body.order === 'led' ? 'led step by step' : '',
                    body.score ? 'scored' : '',
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </Body>
              </Row>
            </PressableRow>
          </Column>
        ))}
        {answer && shown.length === 0 ? (
          <Body quiet>
            {templates.length === 0
              ? 'There is no template yet: take a ready one over, or build your own.'
              : 'No template is called that.'}
          </Body>
        ) : null}
      </Column>
      {params.ready ? (
        <StartersDialog onClose={() => router.setParams({ ready: undefined })} onTaken={again} />
      ) : null}
    </DeskPage>
  );
}
