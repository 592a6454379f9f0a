import { TestBed } from '@angular/core/testing';
import { SwUpdate, type VersionEvent } from '@angular/service-worker';
import { Subject } from 'rxjs';
import { expect, it } from 'vitest';
import { NewerPage } from './newer-page';

it('offers a newer page once the whole of it is here, and not before', () => {
  const versionUpdates = new Subject<VersionEvent>();
  TestBed.configureTestingModule({ providers: [{ provide: SwUpdate, useValue: { isEnabled: true, versionUpdates } }] });
  const newer = TestBed.inject(NewerPage);
  versionUpdates.next({ type: 'VERSION_DETECTED', version: { hash: 'b' } });
  expect(newer.isReady()).toBe(false);
  versionUpdates.next({ type: 'VERSION_READY', currentVersion: { hash: 'a' }, latestVersion: { hash: 'b' } });
  expect(newer.isReady()).toBe(true);
});
