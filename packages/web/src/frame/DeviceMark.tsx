import { ROLE_WORDS } from '@zubric/core/answers';
import { useEffect } from 'react';
import { useParams } from 'react-router';
import { useConnection } from '../common/connection.ts';
import { sayMoment } from '../common/days.ts';
import { useMe } from '../common/me.ts';
import { keepAnswers, keepApplication } from '../offline/register.ts';

/** On a device that was let in: what it is called, what it may, and whether the server answers. */
export function DeviceMark() {
  const me = useMe();
  const connection = useConnection();
  const isDevice = me?.own === false;
  // The machine itself has the server with it, and needs no application of its own.
  const { buildId } = useParams();
  useEffect(() => {
    if (!isDevice) return;
    keepApplication();
    void keepAnswers(buildId);
  }, [isDevice, buildId]);
  if (!isDevice) return null;
  return (
    <span className="text-[14px] text-bar-soft" title={`This device ${ROLE_WORDS[me.role].may}`}>
      {me.name}: {ROLE_WORDS[me.role].title}
      {connection.state !== 'there' && (
        <b role="status" className="ml-2 bg-short px-2 font-semibold text-sheet">
          {connection.state === 'kept'
            ? `no connection: as it was ${sayMoment(new Date(connection.since).toISOString())}`
            : 'no connection'}
        </b>
      )}
    </span>
  );
}
