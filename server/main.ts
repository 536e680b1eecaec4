import { fileURLToPath } from 'node:url';
import { createApp } from './app.ts';

const port = Number(process.env.PORT ?? 4180);
const server = createApp(fileURLToPath(new URL('../dist', import.meta.url))).listen(port, (error?: Error) => {
  if (error) {
    console.error(`Port ${port} cannot be used (${error.message}). Choose another: PORT=4181 npm start`);
    process.exit(1);
  }
  console.log(`Zig Hem is open at http://localhost:${port}`);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => server.close(() => process.exit(0)));
