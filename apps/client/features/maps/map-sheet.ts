import type { MapLayer } from '@ant-trail/contract/maps';
import L from 'leaflet';
import Supercluster from 'supercluster';
import type { Palette } from '@/design/palettes.ts';
import { lookOf } from './look-of-layer.ts';
import type { Plot } from './plots.ts';
import { faceOf, faceOfMany, labelOf, type Spot } from './spot-face.ts';

export interface Here {
  readonly lat: number;
  readonly lon: number;
  /** Radius of the doubt, in metres. */
  readonly accuracy: number;
}

type Held = { readonly spot: Spot };

const CLOSEST = 18;
const WIDEST = 8;
/** Spots closer together than this many pixels are one until one goes closer. */
const TOGETHER_PX = 44;
/** With more in view than this, names would only be in each other's way. */
const NAMED = 40;
const [NAME_HEIGHT, LETTER_WIDTH, NAME_OFF] = [18, 7.5, 16];
/** What the buttons over the map take of its right side. */
const BUTTONS_WIDE = 72;

/** The drawn map: an imperative thing that React only tells what to show. */
export class MapSheet {
  private readonly map: L.Map;
  private readonly ground = L.layerGroup();
  private readonly spots = L.layerGroup();
  private readonly here = L.layerGroup();
  private readonly way = L.layerGroup();
  private readonly plots = L.layerGroup();
  private readonly index = new Supercluster<Held>({ radius: TOGETHER_PX, maxZoom: CLOSEST - 1 });
  private chosen: string | null = null;
  private all: readonly Spot[] = [];
  private land: L.LatLngBounds | null = null;
  private hasLooked = false;

  constructor(
    element: HTMLElement,
    private readonly onChoose: (id: string) => void,
  ) {
    const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
    this.map = L.map(element, {
      ...{ preferCanvas: true, zoomControl: false, attributionControl: false, zoomSnap: 0.5 },
      ...{ minZoom: WIDEST, maxZoom: CLOSEST, zoomAnimation: !still, fadeAnimation: false },
      ...{ markerZoomAnimation: !still, inertia: !still, boxZoom: false },
    });
    this.index.load([]);
    this.map.setView([0, 0], WIDEST);
    for (const group of [this.ground, this.plots, this.way, this.here, this.spots])
      group.addTo(this.map);
    this.map.on('moveend', () => this.drawSpots());
  }

  destroy(): void {
    this.map.remove();
  }

  /** The element has another size by now. */
  fit(): void {
    this.map.invalidateSize({ animate: false });
    if (!this.hasLooked) this.showAll();
    this.drawSpots();
  }

  setLayers(layers: readonly MapLayer[], palette: Palette): void {
    this.ground.clearLayers();
    this.land = null;
    for (const { look, content } of layers) {
      const drawn = L.geoJSON(content, {
        interactive: false,
        style: () => lookOf(look, palette),
        // A point of a map that was loaded is a dot of it, and not something to choose.
        pointToLayer: (_, at) => L.circleMarker(at, { ...lookOf(look, palette), radius: 3 }),
      });
      this.ground.addLayer(drawn);
      const bounds = drawn.getBounds();
      if (bounds.isValid()) this.land = this.land ? this.land.extend(bounds) : bounds;
    }
    if (!this.hasLooked) this.showAll();
  }

  setSpots(spots: readonly Spot[], chosen: string | null): void {
    const sameSpots = spots === this.all;
    const before = this.chosen;
    this.all = spots;
    this.chosen = chosen;
    if (!sameSpots)
      this.index.load(
        spots.map((spot) => ({
          type: 'Feature',
          geometry: { type: 'Point', coordinates: [spot.lon, spot.lat] },
          properties: { spot },
        })),
      );
    if (!this.hasLooked) this.showAll();
    const wanted = chosen !== before && spots.find(({ id }) => id === chosen);
    if (wanted && !this.map.getBounds().pad(-0.1).contains([wanted.lat, wanted.lon]))
      this.map.setView([wanted.lat, wanted.lon], Math.max(this.map.getZoom(), 13));
    this.drawSpots();
  }

  setHere(here: Here | null, palette: Palette): void {
    this.here.clearLayers();
    if (!here) return;
    const at: L.LatLngTuple = [here.lat, here.lon];
    const look = { color: palette.lake, fillColor: palette.lake, interactive: false };
    this.here.addLayer(
      L.circle(at, { ...look, radius: here.accuracy, weight: 1, fillOpacity: 0.12 }),
    );
    this.here.addLayer(
      L.circleMarker(at, { ...look, color: palette.sheet, radius: 8, weight: 3, fillOpacity: 1 }),
    );
  }

  /** Draws pieces of ground that can be chosen, each where its own spot is chosen, too. */
  setPlots(plots: readonly Plot[], chosen: string | null, palette: Palette): void {
    this.plots.clearLayers();
    for (const { id, shape } of plots) {
      const isChosen = id === chosen;
      const look = {
        ...lookOf('plot', palette),
        ...(isChosen ? { color: palette.ink, weight: 4 } : { weight: 2 }),
      };
      const drawn = L.geoJSON(shape, {
        style: () => look,
        pointToLayer: (_, at) => L.circleMarker(at, { ...look, radius: 8 }),
      });
      drawn.on('click', () => this.onChoose(id));
      this.plots.addLayer(drawn);
    }
  }

  /** Draws a way over everything but its ends, and goes to where all of it is seen. */
  setWay(line: readonly (readonly [number, number])[] | null, palette: Palette): void {
    this.way.clearLayers();
    if (!line || line.length < 2) return;
    const corners = line.map(([lon, lat]): L.LatLngTuple => [lat, lon]);
    const look = { interactive: false, lineCap: 'round' as const, lineJoin: 'round' as const };
    this.way.addLayer(L.polyline(corners, { ...look, color: palette.sheet, weight: 11 }));
    this.way.addLayer(L.polyline(corners, { ...look, color: palette.ink, weight: 6 }));
    this.way.addLayer(
      L.polyline(corners, { ...look, color: palette.sun, weight: 3, dashArray: '0.1 8' }),
    );
    this.map.fitBounds(L.latLngBounds(corners).pad(0.12), {
      ...{ animate: false, maxZoom: 16, padding: [24, 24] },
    });
    this.hasLooked = true;
  }

  closer(by: 1 | -1): void {
    this.map.setZoom(this.map.getZoom() + by);
  }

  lookAt({ lat, lon }: { lat: number; lon: number }): void {
    this.hasLooked = true;
    this.map.setView([lat, lon], Math.max(this.map.getZoom(), 15));
  }

  /** Everything there is to choose, or the whole land where there is nothing. */
  showAll(): void {
    const size = this.map.getSize();
    if (size.x === 0 || size.y === 0) return;
    const bounds =
      this.all.length > 0
        ? L.latLngBounds(this.all.map(({ lat, lon }): L.LatLngTuple => [lat, lon]))
        : this.land;
    if (!bounds?.isValid()) return;
    this.map.fitBounds(bounds.pad(0.06), { animate: false, maxZoom: 15, padding: [20, 20] });
    this.hasLooked = this.all.length > 0;
  }

  private drawSpots(): void {
    this.spots.clearLayers();
    const size = this.map.getSize();
    if (size.x === 0) return;
    const seen = this.map.getBounds().pad(0.05);
    const found = this.index.getClusters(
      [seen.getWest(), seen.getSouth(), seen.getEast(), seen.getNorth()],
      Math.floor(this.map.getZoom()),
    );
    // No name is written over another spot.
    const taken = found.map(({ geometry }) => {
      const [lon = 0, lat = 0] = geometry.coordinates;
      const { x, y } = this.map.latLngToContainerPoint([lat, lon]);
      return L.bounds([x - NAME_OFF, y - NAME_OFF / 2], [x + NAME_OFF - 1, y + NAME_OFF / 2]);
    });
    // From north to south, so that the keyboard goes over the map as one reads.
    const inOrder = [...found].sort(
      (a, b) => (b.geometry.coordinates[1] ?? 0) - (a.geometry.coordinates[1] ?? 0),
    );
    for (const { geometry, properties } of inOrder) {
      const [lon = 0, lat = 0] = geometry.coordinates;
      if ('spot' in properties) {
        const { spot } = properties as Held;
        const point = this.map.latLngToContainerPoint([lat, lon]);
        const side = found.length <= NAMED ? this.sideFor(spot.name, point, taken) : null;
        this.put([lat, lon], faceOf(spot, spot.id === this.chosen, side), labelOf(spot), () =>
          this.onChoose(spot.id),
        );
      } else {
        const { cluster_id: cluster, point_count: count } = properties as {
          cluster_id: number;
          point_count: number;
        };
        this.put([lat, lon], faceOfMany(count), `${count} here: go closer`, () =>
          this.map.setView(
            [lat, lon],
            Math.min(this.index.getClusterExpansionZoom(cluster), CLOSEST),
          ),
        );
      }
    }
  }

  /** On which side of its spot a name fits with no other under it; null where on neither. */
  private sideFor(name: string, { x, y }: L.Point, taken: L.Bounds[]): 'right' | 'left' | null {
    const long = name.length * LETTER_WIDTH;
    const [low, high] = [y - NAME_HEIGHT / 2, y + NAME_HEIGHT / 2];
    for (const side of ['right', 'left'] as const) {
      const from = side === 'right' ? x + NAME_OFF : x - NAME_OFF - long;
      const box = L.bounds([from, low], [from + long, high]);
      const inView = from >= 0 && from + long <= this.map.getSize().x - BUTTONS_WIDE;
      if (!inView || taken.some((other) => other.overlaps(box))) continue;
      taken.push(box);
      return side;
    }
    return null;
  }

  private put(at: L.LatLngTuple, face: HTMLElement, label: string, press: () => void): void {
    const marker = L.marker(at, {
      icon: L.divIcon({ html: face, className: 'map-marker', iconSize: [44, 44] }),
      ...{ keyboard: true, riseOnHover: true },
    });
    marker.on('click', press);
    marker.on('keydown', ({ originalEvent }: L.LeafletKeyboardEvent) => {
      if (originalEvent.key === 'Enter' || originalEvent.key === ' ') press();
    });
    this.spots.addLayer(marker);
    marker.getElement()?.setAttribute('aria-label', label);
  }
}
