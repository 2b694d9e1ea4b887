import { useUnits } from '@/ui/units';
import { Beside } from '@/ui/beside';
import { SiteCautions } from '@/features/cautions';
import type { Site } from '@/features/site';
import { SiteFaultFinder } from './FaultFinder';
import { WayList } from './WayList';
import { faultLists, wayIn } from './lists';

/** A break: how the gun is put down so that it may lie, how it is taken up again, and what to do when something is wrong. */
export function GunDownScreen({ site }: { site: Site }) {
  const { system } = useUnits();
  const lists = faultLists(site);
  return (
    <Beside
      left={
        <>
          <WayList procedure={lists.down} />
          {site.card.ok ? <WayList procedure={wayIn(site, site.card.value, 'spray', system)} /> : null}
        </>
      }
      right={
        <>
          <SiteCautions request={site.request} screen="gun-down" />
          <WayList procedure={lists.clog} />
          <SiteFaultFinder site={site} />
        </>
      }
    />
  );
}
