import { PROGRAMME_PATH } from '@ant-trail/core/log';
import { Column, Row, Rule } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { useSheetSession, useSheetState } from '../session/sheet-context.tsx';

/** What comes before the first question: the client's programme, and answers to begin with. */
export function BeginWith() {
  const session = useSheetSession();
  const { stage, programme } = useSheetState();
  const { programmes = [], variants = [] } = session.context.version.body;
  const fresh = stage === 'untouched' && variants.length > 0;
  if (programmes.length === 0 && !fresh) return null;
  return (
    <Column>
      <Column padding="$4" gap="$3">
        {programmes.length > 0 ? (
          <Pick
            label="Programme"
            value={programme?.key ?? ''}
            options={[
              { value: '', label: 'None' },
              ...programmes.map(({ key, name }) => ({ value: key, label: name })),
            ]}
            onChange={(key) =>
              void session.write(PROGRAMME_PATH, key ? 'answer' : 'clear', key || null)
            }
          />
        ) : null}
        {fresh ? (
          <Column gap="$2">
            <Body small quiet>
              Start from one of these, and change what is different:
            </Body>
            <Row gap="$2" flexWrap="wrap">
              {variants.map(({ name, answers }) => (
                <Button key={name} dense onPress={() => session.takeOver(answers)}>
                  {name}
                </Button>
              ))}
            </Row>
          </Column>
        ) : null}
      </Column>
      <Rule />
    </Column>
  );
}
