import { QRCodeSVG } from 'qrcode.react';
import { Link, useParams } from 'react-router';
import { counted, placeText, dateText } from '../../core/base/units';
import { BUILD_WORDS, lockPlaces, POSITION_WORDS } from '../../core/fit/wheels';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { useWheel } from '../shared/use-wheel';
import { useApp } from '../store';

/**
 * A tag for a wheel on the shelf: what it is, and a code that opens its record on a phone or
 * scanner in the shop.
 */
export const WheelTagScreen = () => {
  const { id = '' } = useParams();
  const shop = useApp((s) => s.shop.shop);
  const { machine, wheel, isMissing } = useWheel(id);
  const { say } = useUnits();
  const rollout = wheel?.rollouts.at(-1);
  if (!shop || (!machine && !isMissing))
    return (
      <Frame title="Wheel tag">
        <Waiting what="Loading wheel" />
      </Frame>
    );
  if (!wheel || !machine)
    return (
      <Frame title="Wheel tag">
        <Failed message="Wheel not found.">
          <Link className="btn" to="/records/wheels">
            All wheels
          </Link>
        </Failed>
      </Frame>
    );
  const address = `${window.location.origin}/wheels/${id}`;
  return (
    <Frame
      title="Wheel tag"
      actions={
        <div className="no-print flex gap-2">
          <Link className="btn" to={`/wheels/${id}`}>
            Wheel record
          </Link>
          <Button go onClick={() => window.print()}>
            Print
          </Button>
        </div>
      }
    >
      <article
        className="tag mx-auto flex max-w-[640px] items-stretch gap-5 border-2 border-ink bg-white p-5 text-black"
        aria-label="The tag"
      >
        <div className="shrink-0">
          <QRCodeSVG
            value={address}
            size={190}
            level="M"
            marginSize={2}
            title={`Opens ${address}`}
            bgColor="#ffffff"
            fgColor="#000000"
          />
        </div>
        <div className="min-w-0 flex-1 text-[17px] leading-snug">
          <h2 className="text-[27px]">{POSITION_WORDS[wheel.position]}</h2>
          <p className="text-[20px] font-semibold">{machine.name}</p>
          <p>{machine.rider}</p>
          <p className="mt-2">
            Rim {wheel.rimCode}, {BUILD_WORDS[wheel.build]}
          </p>
          <p>
            {wheel.tireMarking}, {wheel.tube ? 'tube' : 'tubeless'}
          </p>
          {wheel.rimLockDegs.length > 0 && <p>Rim lock at {lockPlaces(wheel)}</p>}
          {wheel.heavySpotDeg !== null && <p>Heavy spot, bare: {placeText(wheel.heavySpotDeg)}</p>}
          {wheel.ringBolts !== null && (
            <p>
              {wheel.rings === 2 ? 'Each ring' : 'Ring'}: {counted(wheel.ringBolts, 'bolt')}
              {wheel.ringBoltSize && `, ${wheel.ringBoltSize} ${wheel.ringBoltGrade ?? ''}`}
              {wheel.ringTorqueNm !== null && `, ${say(wheel.ringTorqueNm, 'Nm')}`}
            </p>
          )}
          {wheel.ringGapMm !== null && <p>Ring gap {say(wheel.ringGapMm, 'mm', { digits: 2 })}</p>}
          {wheel.rimBolts !== null && (
            <p>
              {counted(wheel.rimBolts, 'rim bolt')}
              {wheel.rimBoltTorqueNm !== null && `, ${say(wheel.rimBoltTorqueNm, 'Nm')}`}
            </p>
          )}
          {rollout && (
            <p>
              Rollout {say(rollout.circumferenceMm, 'mm')} at {say(rollout.gaugeKpa, 'kPa')},{' '}
              {dateText(rollout.onDate)}
            </p>
          )}
          {wheel.build === 'beadlock' && (
            <p className="mt-1 font-semibold">Rings: let all air out before any ring bolt.</p>
          )}
          {wheel.build === 'split' && (
            <p className="mt-1 font-semibold">Split rim: let all air out before any rim bolt.</p>
          )}
          <p className="mt-2 text-[15px]">{shop.name}</p>
        </div>
      </article>
      <p className="no-print mt-4 text-ink2">
        The code opens <span className="break-all">{address}</span>on any device that can reach this
        address.
      </p>
    </Frame>
  );
};
