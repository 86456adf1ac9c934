import { DEVICE_KINDS } from '@roskel/core';
import type { Devices, StandIn, StandInState } from '@roskel/contract';
import { NotFound } from '../store/errors';
import { DeviceHub } from './hub';
import { SimulatedDevice } from './standIn';

/** The devices of the house: those that connect, and the stand-ins of the demo, which connect the same way. */
export class DeviceRack {
  readonly hub = new DeviceHub();
  private readonly standIns: readonly SimulatedDevice[];

  constructor(standIns: boolean) {
    this.standIns = standIns ? DEVICE_KINDS.map((kind) => new SimulatedDevice(kind)) : [];
  }
  all(): Devices {
    return { port: this.hub.port, devices: this.hub.states(), standIns: this.standIns.map((s) => s.state()) };
  }
  /** Throws NotFound. */
  change(id: string, to: StandIn): StandInState {
    const standIn = this.standIns.find((s) => s.id === id);
    if (!standIn || this.hub.port === null) throw new NotFound('There is no stand-in of that name here.');
    return standIn.change(to, this.hub.port);
  }
  /** Throws NotFound. */
  tare(id: string): void {
    if (!this.hub.tare(id)) throw new NotFound('That device is not plugged in.');
  }
  close(): void {
    for (const s of this.standIns) s.unplug();
    this.hub.close();
  }
}
