import { createContext, useContext } from 'react';
import type { KnownKind } from '@/contract/commands';
import type { Sent } from '../offline/send';

/** Another way for what forms and buttons send than straight to the door: on a walk it is kept on the device first. */
export interface Delivery {
  deliver: (kind: KnownKind, payload: unknown, picture?: File) => Promise<Sent>;
}

export const DeliveryContext = createContext<Delivery | undefined>(undefined);
export const useDelivery = (): Delivery | undefined => useContext(DeliveryContext);

/** A picture that a form holds until it is sent, where what is sent is kept on the device first. */
export interface HeldPicture {
  hold: (file: File | undefined) => void;
}
export const HeldPictureContext = createContext<HeldPicture | undefined>(undefined);
export const useHeldPicture = (): HeldPicture | undefined => useContext(HeldPictureContext);
