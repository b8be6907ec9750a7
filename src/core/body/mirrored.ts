import { turn as turnPoint } from '../geometry/point';
import type { Contact } from './contacts';
import type { Target } from './ground';
import { pairing, settle, shifts } from './pairing';
import { QUARTERS } from './pose';
import type { LevelContacts } from './underside';

/** Contacts that are tried at most. */
const MOST = 300;

/** Whether all targets are met by the mirror image of some contacts, and in no turn by the contacts themselves. */
export function isMirrored(level: LevelContacts, targets: readonly Target[], reach: number): boolean {
  if (level.lands.length + level.pins.length > MOST || targets.length > MOST) return false;
  const meets = (image: LevelContacts) =>
    QUARTERS.some((quarter) => meetsAll(turned(image, quarter), targets, reach));
  return meets(mirror(level)) && !meets(level);
}

function meetsAll(level: LevelContacts, targets: readonly Target[], reach: number): boolean {
  const pairs = pairing(level, targets, reach);
  return shifts(level, targets, reach).some((from) => {
    const settled = settle(pairs, targets, from);
    return settled !== null && settled.pairs.length === targets.length;
  });
}

function mirror({ lands, pins, ...rest }: LevelContacts): LevelContacts {
  const flip = (contact: Contact): Contact => ({ ...contact, x: 0 - contact.x });
  return { ...rest, lands: lands.map(flip), pins: pins.map(flip) };
}

/** A level turned by quarters about Z. */
export function turned({ z, lands, pins, plan }: LevelContacts, quarter: number): LevelContacts {
  const isUpright = quarter % 180 !== 0;
  return {
    z,
    lands: lands.map((contact) => turnContact(contact, quarter)),
    pins: pins.map((contact) => turnContact(contact, quarter)),
    plan: isUpright ? { width: plan.height, height: plan.width } : plan,
  };
}

/** A contact turned by quarters about Z. */
export function turnContact(contact: Contact, quarter: number): Contact {
  const { x, y } = turnPoint(contact, quarter);
  const isUpright = quarter % 180 !== 0;
  return {
    ...contact,
    x,
    y,
    width: isUpright ? contact.height : contact.width,
    height: isUpright ? contact.width : contact.height,
  };
}
