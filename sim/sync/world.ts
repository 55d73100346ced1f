import type { Change } from '@/contract/sync';
import { questions, settled } from '@/core/sync/questions';
import { recordKey } from '@/core/sync/replica';

import { noFigures, type Figures, type SimAttic } from './attic';
import { SOUND, type Behaviour } from './behaviour';
import { broughtBack, standingOf } from './broughtBack';
import { SimDevice, type DeviceParts } from './device';
import { judge } from './judge';
import { asSent, isFull, type ToDevice, type ToRelay } from './messages';
import * as deeds from './people';
import { SimRelay } from './relay';
import { Random } from '../random';

/** How much happens before all meet again. */
const STEPS = 260;
const MOST_DEVICES = 5;
const DAY = 86_400_000;
const NOON = 1_700_000_000_000;
/** Nothing more to say after so many rounds in which all hear all: then they don't come together. */
const ROUNDS = 400;

type Letter = { to: SimDevice; as: string; what: ToDevice } | { to: 'relay'; what: ToRelay };

export interface Outcome {
  violations: string[];
  story: string[];
  figures: Figures;
}

/**
 * One attic on several devices, with everything that may go wrong between them. The same seed, the same
 * world.
 */
export class SyncWorld implements SimAttic {
  readonly random: Random;
  readonly devices: SimDevice[] = [];
  readonly made: Change[] = [];
  readonly violations: string[] = [];
  readonly story: string[] = [];
  readonly destroyed = new Set<string>();
  readonly onTheirWay = new Set<string>();
  readonly figures = noFigures();
  private readonly mail: Letter[] = [];
  private readonly sentAway = new Set<string>();
  private relay: SimRelay;
  private now = NOON;
  private ids = 0;
  private isCalm = false;

  constructor(
    readonly seed: number,
    private readonly behaviour: Partial<Behaviour> = {},
  ) {
    this.random = new Random(seed);
    this.relay = this.newRelay(1);
  }

  private get sound(): Behaviour {
    return { ...SOUND, ...this.behaviour };
  }

  run(): Outcome {
    const first = this.device();
    first.begin([{ from: 1, to: 40 }]);
    for (let i = 0; i < 3; i += 1) this.note(first, deeds.makeItem(first, this.fresh(), this.random));
    const devices = this.random.between(2, MOST_DEVICES);
    while (this.devices.length < devices) this.join();
    for (let step = 0; step < STEPS; step += 1) this.step();
    this.meet();
    judge(this);
    const { violations, story, figures } = this;
    figures.changes = this.made.length;
    return { violations, story, figures };
  }

  fresh(): string {
    this.ids += 1;
    return `${this.ids.toString(36).padStart(6, '0')}x`;
  }

  isAtRelay = (name: string): boolean => this.relay.holdsBytes(name);

  tell(line: string): void {
    this.story.push(line);
  }

  private note(device: SimDevice, change: Change | null): void {
    if (!change) return;
    this.made.push(change);
    this.tell(`${device.id} ${change.label} (${change.n})`);
  }

  private device(): SimDevice {
    const offset = this.random.chance(0.3) ? this.random.between(-5, 5) * DAY : 0;
    const parts: DeviceParts = {
      name: `person ${this.devices.length}`,
      keepsFull: this.devices.length === 0 || this.random.chance(0.6),
      behaviour: this.sound,
      chance: () => this.random.next(),
      clock: () => this.now + offset,
      onDropped: (names) => this.lose(names),
    };
    const device = new SimDevice(parts, this.replicaId());
    this.devices.push(device);
    return device;
  }

  private replicaId(): string {
    this.ids += 1;
    return `r${this.ids.toString(36).padStart(6, '0')}`;
  }

  /** Others that are there and were not sent away. */
  private reachable(but?: SimDevice): SimDevice[] {
    return this.devices.filter((one) => one !== but && one.online && !one.isAway);
  }

  /** Somebody lets another device in, and hands it all there is. */
  private join(device?: SimDevice, by?: SimDevice): void {
    const host = by ?? this.random.pick(this.reachable(device));
    if (!host) return;
    const joining = device ?? this.device();
    const id = device ? this.replicaId() : joining.id;
    if (device) this.relay.sendAway(device.id);
    this.note(host, host.tell('lets in', { joins: [id] }));
    this.tell(`${id} joins by ${host.id}`);
    this.pushAll(host);
    const own = standingOf(joining, host, this.made);
    const again = joining.join(id, host.hand());
    broughtBack(joining, own, this.violations);
    for (const name of joining.lacks()) if (!isFull(name)) this.onTheirWay.add(name);
    if (again.length > 0) this.figures.brought += 1;
    for (const change of again) this.note(joining, change);
  }

  /** Nobody is let in before the relay has the change that says so. */
  private pushAll(host: SimDevice): void {
    for (let i = 0; i < 40 && host.isBehind(); i += 1)
      for (const what of host.speak()) for (const answer of this.relay.hear(what)) host.hear(answer);
  }

  private step(): void {
    this.now += this.random.between(1, 60_000);
    const device = this.random.one(this.devices);
    const dice = this.random.next();
    if (device.isAway && device.online) return this.join(device);
    if (dice < 0.3) this.note(device, deeds.something(device, this));
    else if (dice < 0.6) this.speak(device);
    else if (dice < 0.93) this.deliver();
    else this.trouble(device);
  }

  private speak(device: SimDevice): void {
    if (device.online) for (const what of device.speak()) this.post({ to: 'relay', what });
  }

  private post(letter: Letter): void {
    if (!this.isCalm && this.random.chance(0.1)) return;
    this.mail.push(copyOf(letter));
    if (!this.isCalm && this.random.chance(0.1)) this.mail.push(copyOf(letter));
  }

  /** Whatever of the mail comes first. */
  private deliver(): void {
    const at = this.random.between(0, this.mail.length - 1);
    const [letter] = this.mail.splice(at, 1);
    if (!letter) return;
    if (letter.to === 'relay') {
      const from = this.devices.find(({ id }) => id === letter.what.from);
      for (const what of this.relay.hear(letter.what)) if (from) this.post({ to: from, as: from.id, what });
    } else if (letter.to.online && !letter.to.isAway && letter.to.id === letter.as)
      letter.to.hear(letter.what);
  }

  private trouble(device: SimDevice): void {
    const dice = this.random.next();
    if (dice < 0.6) {
      device.online = !device.online;
      this.tell(`${device.id} is ${device.online ? 'here' : 'gone'}`);
    } else if (dice < 0.72) this.wipe(device);
    else if (dice < 0.82) this.wipeRelay();
    else if (dice < 0.92) this.sendAway(device);
    else this.now += this.random.between(-2, 2) * DAY;
  }

  /** All that was on it is gone; it comes back as somebody new. */
  private wipe(device: SimDevice): void {
    const others = this.reachable(device);
    if (others.length === 0) return;
    this.tell(`${device.id} is wiped`);
    this.figures.wiped += 1;
    this.devices.splice(this.devices.indexOf(device), 1);
    this.lose([...device.bytes]);
    this.relay.sendAway(device.id);
    const by = this.random.one(others);
    this.note(by, by.tell('sends away', { leaves: [device.id] }));
    this.join();
  }

  private wipeRelay(): void {
    this.tell('the relay is wiped');
    this.figures.relaysWiped += 1;
    const gone = this.relay.names();
    for (const name of gone) this.onTheirWay.add(name);
    this.relay = this.newRelay(this.relay.epoch + 1);
    this.lose(gone);
  }

  private newRelay(epoch: number): SimRelay {
    return new SimRelay(epoch, this.sentAway, this.sound.relayDropsEarly, (names, known) => {
      // What somebody still shows, or may show again, whom it and another know, was not to be dropped.
      const here = this.devices.filter(({ isAway }) => !isAway);
      const isKnown = ({ id }: SimDevice) => here.some((one) => one.id !== id && one.replica.members.has(id));
      const told = here.filter((one) => known.has(one.id) && isKnown(one));
      this.lose(names.filter((name) => !told.some((one) => one.names(name))));
    });
  }

  /** Copies are gone; where none is left, that is noted. */
  private lose(names: readonly string[]): void {
    for (const name of names)
      if (!this.devices.some(({ bytes }) => bytes.has(name)) && !this.relay.holdsBytes(name))
        this.destroyed.add(name);
  }

  private sendAway(device: SimDevice): void {
    const by = this.random.pick(this.reachable(device));
    if (!by || device.isAway) return;
    this.tell(`${by.id} sends ${device.id} away`);
    this.relay.sendAway(device.id);
    device.isAway = true;
    this.note(by, by.tell('sends away', { leaves: [device.id] }));
  }

  /** Everybody is there, nothing is lost any more, until nobody has anything to say. */
  private meet(): void {
    this.isCalm = true;
    this.tell('all meet');
    for (const device of this.devices) device.online = true;
    for (const device of [...this.devices]) if (device.isAway) this.join(device);
    for (let times = 0; times < 30; times += 1) {
      this.comeToRest();
      if (!this.isMended()) return;
    }
    this.violations.push('they never know each other');
  }

  private comeToRest(): void {
    let last = '';
    let still = 0;
    for (let round = 0; round < ROUNDS; round += 1) {
      for (const device of this.devices) {
        this.speak(device);
        while (this.mail.length > 0) this.deliver();
      }
      const now = this.devices
        .map((one) => JSON.stringify([one.replica.seen, one.bytes.size, one.lacks()]))
        .join();
      still = now === last ? still + 1 : 0;
      last = now;
      if (still > 3) return;
    }
    this.violations.push('they never come to rest');
  }

  /**
   * A person at the desk looks through the devices: one that it does not know, or that does not know it, is
   * let in again; one that is no more is sent away. @returns whether there was one
   */
  private isMended(): boolean {
    const here = new Set(this.devices.map(({ id }) => id));
    const [desk, ...others] = this.devices;
    for (const device of desk ? others : [])
      if (!desk?.replica.members.has(device.id) || !device.replica.members.has(desk.id)) {
        this.tell(`${device.id} and the desk, ${String(desk?.id)}, don't know each other`);
        this.join(device, desk);
        return true;
      }
    for (const device of this.devices)
      for (const [id, { leaving }] of device.replica.members)
        if (!here.has(id) && !leaving) {
          this.note(device, device.tell('sends away', { leaves: [id] }));
          return true;
        }
    return false;
  }

  settle(device: SimDevice): Change | null {
    const question = this.random.pick(questions(device.replica));
    if (!question) return null;
    this.figures.asked += 1;
    const { value } = this.random.one(question.wanted);
    return device.tell(`settles ${recordKey(question.collection, question.id)} ${question.path}`, {
      records: settled(device.store, question, value),
    });
  }
}

/** What is sent is not what it was made of: nobody changes it afterwards. */
function copyOf(letter: Letter): Letter {
  return letter.to === 'relay'
    ? { ...letter, what: asSent(letter.what) }
    : { ...letter, what: asSent(letter.what) };
}
