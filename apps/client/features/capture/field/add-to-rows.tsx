import type { QuestionState } from '@ant-trail/core/sheet';
import { useState } from 'react';
import { Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { AddRows } from './add-rows.tsx';
import { FromRegister } from './from-register.tsx';

/** More rows for a group: from the register, or by a pattern. */
export function AddToRows({ state }: { readonly state: QuestionState }) {
  const [adding, setAdding] = useState(false);
  const { question, path, rows } = state;
  if (question.kind !== 'rows' || question.fixed) return null;
  const full = question.most !== undefined && rows.length >= question.most;
  return (
    <>
      <Row gap="$2" flexWrap="wrap">
        <FromRegister state={state} />
        <Button dense disabled={full} onPress={() => setAdding(true)}>
          Add {question.each}
        </Button>
      </Row>
      {adding ? (
        <AddRows
          each={question.each}
          group={path}
          rows={rows}
          room={(question.most ?? 1000) - rows.length}
          onClose={() => setAdding(false)}
        />
      ) : null}
    </>
  );
}
