import type { Catalogue } from '@ant-trail/core/catalogues';
import type { Measure } from '@ant-trail/core/trades/energy';
import { Column, Row, Scroll } from '@/design/box.tsx';
import { Button } from '@/design/button.tsx';
import { PressableRow } from '@/design/pressable-row.tsx';
import { Mark } from '@/design/mark.tsx';
import { Body, Figure } from '@/design/text.tsx';
import { WholeScreen } from '@/design/whole-screen.tsx';
import type { Said } from '../part.ts';
import { placesOf, saidFor, type Offer, type Place } from './taking-up.ts';
import type { EnergyKit, EnergyNow } from './use-energy.ts';

interface WhatCanBeDoneProps {
  readonly now: EnergyNow;
  readonly list: Catalogue;
  readonly locked: boolean;
  readonly write: (said: readonly Said[]) => Promise<string | null>;
  readonly onOpen: (path: string) => void;
  readonly onClose: () => void;
}

/** Everything that may be done to the house, place by place: one press takes it up, one more takes it back. */
export function WhatCanBeDone({ now, list, locked, write, onOpen, onClose }: WhatCanBeDoneProps) {
  const { kit, survey } = now;
  const { before, after } = survey.savings;
  const wanted = kit.wantedOf(survey);
  const places = placesOf(now);
  const take = (place: Place, measure: Measure): void => {
    const isTaken = place.taken?.measure.code === measure.code;
    void write(saidFor(place, isTaken ? null : measure, list));
  };
  return (
    <WholeScreen title="What can be done" onClose={onClose}>
      <Column padding="$3" borderBottomWidth={1} borderColor="$rule" backgroundColor="$sheet">
        <Row className="to-hand" gap="$3" justifyContent="space-between">
          <Body render="h2" margin={0} strong fontSize="$4" lineHeight="$4" flex={1}>
            What can be done
          </Body>
          <Button plain dense onPress={onClose}>
            ‹ Sheet
          </Button>
        </Row>
        <Body small role="status">
          <Figure strong>{kit.sayWhole(before.total - after.total)}</Figure> kWh saved
          {wanted === null ? '' : ` of ${kit.sayWhole(wanted)} wanted`}
        </Body>
      </Column>
      <Scroll>
        <Column padding="$3" gap="$4" maxWidth={760}>
          {places.length === 0 ? (
            <Body quiet>Nothing the programme allows would better this house.</Body>
          ) : null}
          {places.map((place) => (
            <Column key={place.key} gap="$1" role="group" aria-label={place.name}>
              <Row justifyContent="space-between" gap="$3" flexWrap="wrap" alignItems="baseline">
                <Body render="h3" margin={0} strong>
                  {place.name}
                </Body>
                {'part' in place.where ? (
                  <Button
                    plain
                    dense
                    onPress={() => onOpen(`${place.key}/area`)}
                    label={`${place.about}: open ${place.name}`}
                  >
                    {place.about}
                  </Button>
                ) : null}
              </Row>
              {place.offers.map((offer) => (
                <OfferLine
                  key={offer.measure.code}
                  kit={kit}
                  offer={offer}
                  isTaken={place.taken?.measure.code === offer.measure.code}
                  onPress={locked ? null : () => take(place, offer.measure)}
                />
              ))}
            </Column>
          ))}
        </Column>
      </Scroll>
    </WholeScreen>
  );
}

interface OfferLineProps {
  readonly kit: EnergyKit;
  readonly offer: Offer;
  readonly isTaken: boolean;
  readonly onPress: (() => void) | null;
}

function OfferLine({ kit, offer, isTaken, onPress }: OfferLineProps) {
  const { measure, saved, net, barred } = offer;
  return (
    <PressableRow
      {...(onPress && !barred ? { onPress } : { 'aria-disabled': true })}
      aria-pressed={isTaken}
      borderWidth={isTaken ? 2 : 1}
      borderColor={isTaken ? '$ink' : '$rule'}
      borderRadius={8}
      backgroundColor={isTaken ? '$sheet' : 'transparent'}
      padding="$2"
      justifyContent="center"
    >
      <Row gap="$3" alignSelf="stretch">
        <Mark name={barred ? 'needs eyes' : isTaken ? 'finished' : 'planned'} size={18} silent />
        <Column flex={1} alignItems="flex-start">
          <Body small strong={isTaken} textAlign="left">
            {measure.label}
          </Body>
          <Body tiny quiet={!barred} eyes={barred !== null} textAlign="left">
            {barred ? `Not before this is put right: ${barred}.` : `costs ${kit.sayWhole(net)} net`}
          </Body>
        </Column>
        {barred ? null : (
          <Figure small strong={isTaken}>
            {kit.saySaved(saved)}
          </Figure>
        )}
      </Row>
    </PressableRow>
  );
}
