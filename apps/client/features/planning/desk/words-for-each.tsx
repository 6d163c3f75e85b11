import { useController, useWatch, type Control } from 'react-hook-form';
import type { JobDraft } from '@ant-trail/contract/planning/desk';
import { useState } from 'react';
import { z } from 'zod';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Input } from '@/design/input.tsx';

/** What stands in the letter that brings the report, where somebody is to read words of their own. */
export function WordsForEach({ control }: { readonly control: Control<JobDraft> }) {
  const [open, setOpen] = useState(false);
  const { field } = useController({ control, name: 'words' });
  const recipients = useWatch({ control, name: 'recipients' }).filter(
    (each) => z.email().safeParse(each).success,
  );
  if (recipients.length === 0) return null;
  if (!open)
    return (
      <Row>
        <Button dense onPress={() => setOpen(true)}>
          Words for each of them
        </Button>
      </Row>
    );
  return (
    <Column gap="$3">
      {[...new Set(recipients)].map((each) => (
        <Input
          key={each}
          label={`Words for ${each}`}
          lines={3}
          value={field.value?.[each] ?? ''}
          onChange={(text) => field.onChange({ ...field.value, [each]: text })}
          help="Left empty, the ordinary letter."
        />
      ))}
    </Column>
  );
}
