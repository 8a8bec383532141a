import { DESK } from '../support/browser';
import { lookAtAll } from '../support/viewing';

lookAtAll('desk', DESK);
