import { dictationSuite, meterSuite } from '../../../tests/support/ports';
import { simulatedDictation } from './dictation';
import { simulatedMeter } from './meter';

meterSuite('the simulated meter', () => simulatedMeter(7));
dictationSuite('the simulated dictation', simulatedDictation);
