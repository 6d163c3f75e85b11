import { useEffect, useState } from 'react';

/** A kit’s figures as a hook: they are here already, with the sheet that needs them; null for a moment at most. */
export function kitCode<Code>(load: () => Promise<Code>): () => Code | null {
  let known: Code | null = null;
  return () => {
    const [code, setCode] = useState(() => known);
    useEffect(() => {
      if (code) return;
      void load().then((loaded) => {
        known = loaded;
        setCode(() => loaded);
      });
    }, [code]);
    return code;
  };
}
