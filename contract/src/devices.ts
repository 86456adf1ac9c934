import { Type, type Static } from '@sinclair/typebox';
import { DEVICE_KINDS, QUANTITIES, type DeviceKind, type Held, type Quantity } from '@roskel/core';
import { exact, Id } from './records';

/** A device as the kitchen hears it now. */
export interface DeviceState {
  id: string;
  kind: DeviceKind;
  name: string;
  simulated: boolean;
  /** It is connected. One that went is told for a while. */
  here: boolean;
  /** What it says is wrong with itself. */
  fault: string | null;
  readings: ({ quantity: Quantity } & Held)[];
}

export const FAULTS = ['none', 'wrong', 'jumps', 'mute'] as const;
/** What is done to a stand-in: what it is held to, and what is wrong with it. */
export const StandInSchema = Type.Object(
  {
    plugged: Type.Boolean({ title: 'Plugged in' }),
    mass: Type.Optional(Type.Number({ title: 'What lies on it', minimum: 0, maximum: 12_000, unit: 'g' })),
    pH: Type.Optional(Type.Number({ title: 'The pH it is dipped into', minimum: 0, maximum: 14 })),
    temp: Type.Optional(Type.Number({ title: 'How warm it is there', minimum: -40, maximum: 300, unit: '°C' })),
    fault: Type.Union(
      FAULTS.map((f) => Type.Literal(f)),
      { title: 'What is wrong with it' },
    ),
  },
  exact,
);
export type StandIn = Static<typeof StandInSchema>;
export interface StandInState extends StandIn {
  id: string;
  kind: DeviceKind;
  name: string;
}

/** All devices, where more can connect (null: nowhere, the port is taken), and the stand-ins that ship with the product. */
export interface Devices {
  port: number | null;
  devices: DeviceState[];
  standIns: StandInState[];
}

const kind = Type.Union(DEVICE_KINDS.map((k) => Type.Literal(k)));
const Text = Type.String();
const orNull = Type.Union([Type.Number(), Type.Null()]);
export const StandInAnswer = Type.Object({ ...StandInSchema.properties, id: Id, kind, name: Text }, exact);
export const DevicesAnswer = Type.Object(
  {
    port: orNull,
    devices: Type.Array(
      Type.Object(
        {
          ...{ id: Id, kind, name: Text, simulated: Type.Boolean(), here: Type.Boolean(), fault: Type.Union([Text, Type.Null()]) },
          readings: Type.Array(
            Type.Object({ quantity: Type.Union(QUANTITIES.map((q) => Type.Literal(q))), state: Text, value: orNull, says: Text }, exact),
          ),
        },
        exact,
      ),
    ),
    standIns: Type.Array(StandInAnswer),
  },
  exact,
);
