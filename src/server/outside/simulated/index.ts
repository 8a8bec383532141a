import type { Outside } from '../ports';
import { simulatedGateway, simulatedTexts } from './gateway';
import { simulatedOffices } from './inspections';
import { simulatedSuppliers } from './suppliers';
import { simulatedWeather } from './weather';

/** The world outside played by stand-ins: nothing leaves the machine, and the same questions hear the same answers. */
export const simulatedOutside: Outside = {
  messages: simulatedGateway,
  texts: simulatedTexts,
  suppliers: simulatedSuppliers,
  weather: simulatedWeather,
  offices: simulatedOffices,
};
