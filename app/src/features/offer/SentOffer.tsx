import type { Offer, OfferFigures } from '@fine-spray/contract';
import { totalsOf } from '@fine-spray/contract/planning';
import { capital, exactMoney, shareText } from '@fine-spray/core';
import { format } from 'date-fns/format';
import Check from 'lucide-react-native/icons/check';
import CopyPlus from 'lucide-react-native/icons/copy-plus';
import X from 'lucide-react-native/icons/x';
import { useState } from 'react';
import { View } from 'react-native';
import { whyFailed } from '@/data/api';
import { useWrites } from '@/data/resources';
import type { LoadedJob } from '@/features/frame';
import { AmountLine } from '@/ui/amountLine';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { useOneTap } from '@/ui/oneTap';
import { Sheet } from '@/ui/sheet';
import { Words } from '@/ui/text';
import { useToast } from '@/ui/toast';
import { CameTo } from './CameTo';
import { OfferFiles } from './OfferFiles';
import { OfferPrice, differenceText } from './OfferPrice';
import { useMakeOffer } from './OffersScreen';
import { Ticks } from './Ticks';
import { fieldsOf, nextEdition } from './newOffer';
import { offerName, replacedBy, standsText } from './words';

type Answer = Pick<Offer, 'state' | 'answered' | 'taken'>;
const NO_ANSWER: Answer = { state: 'sent', answered: null, taken: [] };

/** An offer as it was sent, how it was answered, and what it came to. */
export function SentOffer({
  job,
  surfaces,
  kit,
  offer,
  all,
}: LoadedJob & { offer: Offer; all: readonly Offer[] }) {
  const { put } = useWrites('offers');
  const toast = useToast();
  const make = useMakeOffer(job.id);
  const [accepting, setAccepting] = useState(false);
  const answer = useOneTap(async (given: Answer, text: string) => {
    setAccepting(false);
    const write = (one: Answer, version: number) =>
      put({ id: offer.id, content: { ...fieldsOf(offer), ...one, version } });
    const failed = (error: unknown) => toast({ text: `Not written down: ${whyFailed(error)}` });
    const { state, answered, taken } = offer;
    try {
      const stored = await write(given, offer.version);
      toast({
        text,
        undo: () => void write({ state, answered, taken }, stored.version).catch(failed),
      });
    } catch (error) {
      failed(error);
    }
  });
  const { figures } = offer;
  // The schema has none without them.
  if (!figures) return null;
  const today = format(new Date(), 'yyyy-MM-dd');
  const name = offerName(offer);
  const open = offer.state === 'sent' && replacedBy(offer, all) === undefined;
  return (
    <>
      <Words size={18} weight="semi" testID="offer-stands">
        {standsText(offer, all, new Date())}
      </Words>
      <OfferPrice offer={offer} figures={figures} jobName={job.name} />
      {open ? (
        <View className="flex-row flex-wrap gap-2">
          <Button
            label="Accepted"
            kind="primary"
            icon={Check}
            className="flex-1"
            onPress={() => setAccepting(true)}
          />
          <Button
            label="Declined"
            icon={X}
            className="flex-1"
            onPress={() => answer({ ...NO_ANSWER, state: 'declined', answered: today }, `${name}: declined.`)}
          />
        </View>
      ) : null}
      {offer.state === 'accepted' ? (
        <CameTo job={job} surfaces={surfaces} kit={kit} offer={offer} figures={figures} />
      ) : null}
      <OfferFiles offer={offer} figures={figures} jobName={job.name} />
      <Button
        label="A new edition of it"
        icon={CopyPlus}
        className="self-start"
        onPress={() => make(() => Promise.resolve(nextEdition(offer, all)))}
      />
      {offer.state === 'accepted' || offer.state === 'declined' ? (
        <Button
          label="It is not answered yet"
          kind="quiet"
          className="self-start"
          onPress={() => answer(NO_ANSWER, `${name}: not answered yet.`)}
        />
      ) : null}
      <SaidOnIt offer={offer} figures={figures} />
      {accepting ? (
        <AcceptSheet
          offer={offer}
          figures={figures}
          onAccept={(taken) => answer({ state: 'accepted', answered: today, taken }, `${name}: accepted.`)}
          onClose={() => setAccepting(false)}
        />
      ) : null}
    </>
  );
}

/** What else stands on an offer. */
function SaidOnIt({ offer, figures }: { offer: Offer; figures: OfferFigures }) {
  const money = (amount: number) => exactMoney(amount, figures.currency, figures.numbers);
  const { due } = totalsOf(offer, figures);
  const open = offer.options.filter(({ id }) => !offer.taken.includes(id));
  return (
    <>
      {open.length > 0 ? (
        <View className="gap-1">
          <Words size={18} weight="bold" heading={2}>
            Options
          </Words>
          {open.map(({ id, name }) => (
            <AmountLine key={id} name={name} amount={differenceText(figures, id)} />
          ))}
        </View>
      ) : null}
      {offer.payments.length > 0 ? (
        <View className="gap-1">
          <Words size={18} weight="bold" heading={2}>
            When it is due
          </Words>
          {offer.payments.map(({ name, share }, index) => (
            <AmountLine
              key={`${index} ${name}`}
              name={`${name}, ${shareText(share, figures.numbers)}`}
              amount={money(due[index] ?? 0)}
            />
          ))}
        </View>
      ) : null}
      <Words size={18} weight="bold" heading={2}>
        Not in it
      </Words>
      <Words>{`${capital(figures.notCounted.join(', '))}.`}</Words>
      {offer.exclusions.map((one, index) => (
        <Words key={`${index} ${one}`}>{`${one}.`}</Words>
      ))}
    </>
  );
}

/** Which options were taken, and what it comes to with them. */
function AcceptSheet({
  offer,
  figures,
  onAccept,
  onClose,
}: {
  offer: Offer;
  figures: OfferFigures;
  onAccept: (taken: string[]) => void;
  onClose: () => void;
}) {
  const [taken, setTaken] = useState<string[]>([]);
  const clash = offer.options.flatMap((one) =>
    offer.options.filter(
      (other) => taken.includes(one.id) && taken.includes(other.id) && one.notWith.includes(other.id),
    ),
  );
  const { total, net } = totalsOf({ ...offer, taken }, figures);
  const money = (amount: number) => exactMoney(amount, figures.currency, figures.numbers);
  return (
    <Sheet title={`${offerName(offer)} was accepted`} onClose={onClose}>
      {offer.options.length > 0 ? (
        <Ticks
          label="Which options were taken?"
          options={offer.options.map(({ id, name }) => ({
            ...{ value: id, label: name },
            note: differenceText(figures, id),
          }))}
          on={taken}
          onChange={setTaken}
        />
      ) : (
        <Words>As it was sent.</Words>
      )}
      {clash.length > 0 ? (
        <FieldError message={`${clash.map(({ name }) => name).join(' and ')} do not go together.`} />
      ) : null}
      <Words size={30} weight="bold">
        {money(total)}
      </Words>
      <Words colour="ink2">{`to pay; ${money(net)} before tax`}</Words>
      <Button
        label="Accepted today"
        kind="primary"
        disabled={clash.length > 0}
        onPress={() => onAccept(taken)}
      />
    </Sheet>
  );
}
