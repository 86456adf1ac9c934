import type { Component } from 'vue';
import type { KindName } from '@roskel/core';
import BlendPanel from './BlendPanel.vue';
import BottlePanel from './BottlePanel.vue';
import BowlPanel from './BowlPanel.vue';
import LiftPanel from './LiftPanel.vue';
import PressPanel from './PressPanel.vue';
import RestPanel from './RestPanel.vue';
import TemperPanel from './TemperPanel.vue';
import ThickenPanel from './ThickenPanel.vue';
import CharPanel from './CharPanel.vue';
import DrainPanel from './DrainPanel.vue';
import FermentPanel from './FermentPanel.vue';
import FryPanel from './FryPanel.vue';
import PrepPanel from './PrepPanel.vue';
import SaltPanel from './SaltPanel.vue';
import SimmerPanel from './SimmerPanel.vue';
import SoakPanel from './SoakPanel.vue';
import SteepPanel from './SteepPanel.vue';
import StrainPanel from './StrainPanel.vue';
import ToastPanel from './ToastPanel.vue';
import TrimPanel from './TrimPanel.vue';

/** The worksheet of each station kind. A new kind is one line here and one picture in this folder. */
export const PANELS: Readonly<Record<KindName, Component>> = {
  prep: PrepPanel,
  char: CharPanel,
  toast: ToastPanel,
  soak: SoakPanel,
  fry: FryPanel,
  steep: SteepPanel,
  simmer: SimmerPanel,
  salt: SaltPanel,
  ferment: FermentPanel,
  drain: DrainPanel,
  blend: BlendPanel,
  strain: StrainPanel,
  bowl: BowlPanel,
  lift: LiftPanel,
  press: PressPanel,
  rest: RestPanel,
  temper: TemperPanel,
  thicken: ThickenPanel,
  trim: TrimPanel,
  bottle: BottlePanel,
};
