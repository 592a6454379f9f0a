import type { TestProject } from 'vitest/node';
import { startThrowAwayCluster } from '../../../../scripts/postgres/cluster.js';

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string;
  }
}

/** One throw-away PostgreSQL for all server specs; each spec file makes databases of its own in it. */
export default async function setup(project: TestProject): Promise<() => void> {
  const cluster = await startThrowAwayCluster();
  project.provide('clusterUrl', cluster.url);
  return () => cluster.stop();
}
