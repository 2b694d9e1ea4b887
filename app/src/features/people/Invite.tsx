import { invitation as invitationSchema, type Invitation, type Person } from '@fine-spray/contract';
import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import { call, whyFailed } from '@/data/api';
import { Button } from '@/ui/button';
import { FieldError } from '@/ui/field';
import { Panel } from '@/ui/panel';
import { Words } from '@/ui/text';

/** A clock that ticks each second while it is wanted, ms since 1970. */
function useNow(wanted: boolean): number {
  const [now, setNow] = useState(Date.now);
  useEffect(() => {
    if (!wanted) return undefined;
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, [wanted]);
  return now;
}

/** The code with which a phone becomes somebody's: to point a camera at, or to read out. */
export function Invite({ person, signIn }: { person: Person; signIn: boolean }) {
  const [shown, setShown] = useState<Invitation>();
  const [failed, setFailed] = useState<string>();
  const now = useNow(shown !== undefined);
  if (!signIn)
    return (
      <Words colour="ink2">
        Nobody signs in on this server: it is for this machine alone. To let phones in, whoever looks after it
        sets HOST, PUBLIC_URL and SIGN_IN.
      </Words>
    );
  const show = async () => {
    setFailed(undefined);
    try {
      setShown(invitationSchema.parse(await call('POST', `/api/people/${person.id}/invitation`, {})));
    } catch (error) {
      setFailed(whyFailed(error));
    }
  };
  const left = shown ? Math.max(0, Math.ceil((Date.parse(shown.expiresAt) - now) / 1000)) : 0;
  return (
    <Panel title={`A phone for ${person.name}`}>
      {shown && left > 0 ? (
        <View className="items-center gap-2" testID="invitation">
          <Image
            aria-label="Code to point a camera at"
            source={{ uri: `data:image/svg+xml,${encodeURIComponent(shown.picture)}` }}
            style={{ width: 236, height: 236 }}
          />
          <Words size={30} weight="digits-bold" selectable>
            {`${shown.code.slice(0, 5)} ${shown.code.slice(5)}`}
          </Words>
          <Words colour="ink2">
            {`Point the phone’s camera at it, or type it there. It works once, for ${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')} more.`}
          </Words>
        </View>
      ) : (
        <Words colour="ink2">
          {shown
            ? 'The code has run out.'
            : 'Show a code: the phone that opens it is theirs until you sign it out.'}
        </Words>
      )}
      {failed ? <FieldError message={failed} /> : null}
      <Button
        label={shown ? 'Show a new code' : 'Show a code'}
        kind={shown ? 'plain' : 'primary'}
        onPress={() => void show()}
      />
    </Panel>
  );
}
