import { drawable, GeoJson, MapAnswer, MapLayer } from '@ant-trail/contract/maps';
import { MAP_LOOKS, type MapLook } from '@ant-trail/core/maps';
import type { FeatureCollection } from 'geojson';
import { useRef, useState } from 'react';
import { Column, Row } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { Dialog } from '@/design/dialog.tsx';
import { Input } from '@/design/input.tsx';
import { Pick } from '@/design/pick.tsx';
import { Body } from '@/design/text.tsx';
import { ask, wordsFor } from '@/device/api.ts';

export interface LayersDialogProps {
  readonly layers: readonly MapLayer[];
  readonly onChanged: () => void;
  readonly onClose: () => void;
}

const LOOK_WORDS: Readonly<Record<MapLook, string>> = {
  ...{ land: 'land', height: 'lines of equal height', water: 'water', plot: 'plots' },
  ...{ building: 'buildings', path: 'paths', road: 'roads', cableway: 'cableways' },
};

interface Loaded {
  readonly name: string;
  readonly content: FeatureCollection;
}

/** What the map is made of: layers, and how one more is taken from a file. */
export function LayersDialog({ layers, onChanged, onClose }: LayersDialogProps) {
  const picker = useRef<HTMLInputElement>(null);
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const [look, setLook] = useState<MapLook>('path');
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>): Promise<void> => {
    try {
      await work();
      setProblem(null);
      setLoaded(null);
      onChanged();
    } catch (error) {
      setProblem(wordsFor(error));
    }
  };
  const load = async (file: File | undefined): Promise<void> => {
    setProblem(null);
    if (!file) return;
    const read = readGeoJson(await file.text());
    if ('problem' in read) setProblem(read.problem);
    else setLoaded({ name: file.name.replace(/\.[^.]*$/, ''), content: read.content });
  };
  return (
    // Once a layer is added, nothing that was written is left to be kept.
    <Dialog title="Layers of the map" onClose={onClose} width={520} easy={loaded === null}>
      <Column gap="$3">
        <Body small quiet>
          Every phone has the whole map, with no network too. Layers come from GeoJSON files.
        </Body>
        {layers.map((layer) => (
          <Row key={layer.id} gap="$2">
            <Column flex={1}>
              <Body>{layer.name}</Body>
              <Body small quiet>
                drawn as {LOOK_WORDS[layer.look]}, {sayFeatures(layer.content.features.length)}
              </Body>
            </Column>
            <Button
              dense
              plain
              label={`Take off ${layer.name}`}
              onPress={() =>
                attempt(() => ask(MapAnswer, 'POST', `/api/map/${layer.id}/removal`, {}))
              }
            >
              Take off
            </Button>
          </Row>
        ))}
        {loaded ? (
          <>
            <Input
              label="What the new layer is called"
              value={loaded.name}
              onChange={(name) => setLoaded({ ...loaded, name })}
            />
            <Pick
              label="Drawn as"
              value={look}
              onChange={(next) => setLook(next as MapLook)}
              options={MAP_LOOKS.map((value) => ({ value, label: LOOK_WORDS[value] }))}
            />
            <Body small quiet>
              {sayFeatures(loaded.content.features.length)} in the file.
            </Body>
            <Button
              main
              disabled={!loaded.name.trim()}
              onPress={() => attempt(() => ask(MapLayer, 'POST', '/api/map', { ...loaded, look }))}
            >
              Add the layer
            </Button>
          </>
        ) : (
          <Button dense onPress={() => picker.current?.click()}>
            Take a layer from a file
          </Button>
        )}
        <input
          ref={picker}
          type="file"
          accept=".geojson,.json,application/geo+json,application/json"
          hidden
          aria-label="GeoJSON file"
          onChange={(event) => {
            void load(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        {problem ? (
          <Body small eyes role="alert">
            {problem}
          </Body>
        ) : null}
      </Column>
    </Dialog>
  );
}

const sayFeatures = (count: number): string => (count === 1 ? 'one shape' : `${count} shapes`);

/** What a file holds, or why it can't be drawn. */
function readGeoJson(text: string): { content: FeatureCollection } | { problem: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { problem: 'This file can’t be read as JSON.' };
  }
  const read = GeoJson.safeParse(value);
  if (!read.success) {
    const [issue] = read.error.issues;
    const where = issue?.path.join('.') ?? '';
    return { problem: `This file is no map (RFC 7946): ${where} ${issue?.message ?? ''}` };
  }
  const content = drawable(read.data);
  return content.features.length === 0
    ? { problem: 'Nothing in this file lies anywhere.' }
    : { content };
}
