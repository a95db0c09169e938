import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { referAll } from '@/store/references';

const ran = await migrate('src/store/migrations');
await referAll();
if (ran.length > 0) process.stdout.write(`${ran.join(', ')}\n`);
await pool().end();
