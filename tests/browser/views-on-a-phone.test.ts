import { PHONE } from '../support/browser';
import { lookAtAll } from '../support/viewing';

lookAtAll('phone', PHONE);
