import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { referAll } from '@/store/references';
import { failAbandoned } from '@/store/deliveries';

const ran = await migrate('src/store/migrations');
await referAll();
await failAbandoned(0);
if (ran.length > 0) process.stdout.write(`${ran.join(', ')}\n`);
await pool().end();
