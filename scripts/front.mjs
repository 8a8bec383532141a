import { refuseWrongEnvironment } from '../src/server/environment.mjs';
import { startFront } from '../src/server/front.mjs';
import { root } from './toolchain.mjs';

// The built application with its front, on HOST and PORT; port 0 takes any that is free and says which.
refuseWrongEnvironment();
await startFront({ dir: root, host: process.env.HOST ?? '127.0.0.1', port: Number(process.env.PORT ?? 3000) });
