import { computed, Injectable, linkedSignal, signal } from '@angular/core';
import { issueFields } from '@gold-peg/contract/problems';
import { fromInstrument, geometrySchema, toInstrument, type Geometry } from '@gold-peg/contract/register';
import type { Instrument, Measure } from '@gold-peg/craft/instrument';
import { sharpening } from '@gold-peg/craft/sharpen';
import { inWords } from './build-words';
import { pictureOf } from './kind-picture';

/** Height of the headstock picture. */
export const PICTURE_PX = 340;

/** An instrument as it is being made of its parts: what was typed, what of it holds together, and what follows. */
@Injectable()
export class GeometryDraft {
  private readonly begun = signal<Geometry | null>(null);
  readonly geometry = linkedSignal<Geometry | null>(() => this.begun());
  /** The last one that holds together: what is drawn. */
  readonly sound = linkedSignal<Geometry | null, Geometry | null>({
    source: () => this.geometry(),
    computation: (now, before) => (now !== null && geometrySchema.safeParse(now).success ? now : (before?.value ?? null)),
  });
  /** The one that the frame of the picture is fitted to: while a post is dragged that stays. */
  readonly framed = linkedSignal<Geometry | null>(() => this.begun());
  readonly framedBy = computed(() => {
    const framed = this.framed();
    return framed === null ? undefined : toInstrument(framed);
  });
  readonly picture = computed(() => {
    const sound = this.sound();
    return sound === null ? null : pictureOf(toInstrument(sound), PICTURE_PX);
  });
  readonly changed = computed(() => this.geometry() !== this.begun());
  /** What cannot be: the field, what is wrong with it, and both in a sentence. */
  readonly faults = computed(() => {
    const read = geometrySchema.safeParse(this.geometry());
    return read.success
      ? []
      : issueFields(read.error).map(({ path, says }) => ({ at: path.join('.'), says, words: `${inWords(path)} ${says}` }));
  });
  /** Which number each measure that nobody took would sharpen, with the set that fits its nut. */
  readonly sharpens = computed(() => {
    const [picture, sound] = [this.picture(), this.sound()];
    if (picture === null || sound === null) return [];
    const strings = picture.lanes.map(({ string }) => string);
    return sharpening(picture.instrument, strings, new Set(sound.measured));
  });

  /** From here, with nothing typed yet; the same again changes nothing of what is typed. */
  begin(geometry: Geometry | null): void {
    if (this.begun() !== geometry) this.begun.set(geometry);
  }

  /** Something that was typed; `measure`: what was taken with it. */
  edit(change: (geometry: Geometry) => Geometry, measure: Measure | null = null): void {
    const geometry = this.geometry();
    if (geometry === null) return;
    const taken = measure === null || geometry.measured.includes(measure) ? geometry.measured : [...geometry.measured, measure];
    this.geometry.set({ ...change(geometry), measured: taken });
  }

  /** Other parts than it had: what they measure is typical until somebody looks. */
  reshape(change: (instrument: Instrument) => Instrument, forgets: readonly Measure[] = []): void {
    const sound = this.sound();
    if (sound === null) return;
    const measured = sound.measured.filter((measure) => !forgets.includes(measure));
    this.geometry.set({ ...fromInstrument(change(toInstrument(sound))), measured });
    this.settle();
  }

  editPost(index: number, change: Partial<Geometry['strings'][number]['post']>, measure: Measure): void {
    this.editString(index, ({ post }) => ({ post: { ...post, ...change } }), measure);
  }

  editString(
    index: number,
    change: (string: Geometry['strings'][number]) => Partial<Geometry['strings'][number]>,
    measure: Measure | null = null,
  ): void {
    this.edit(
      (geometry) => ({
        ...geometry,
        strings: geometry.strings.map((string, at) => (at === index ? { ...string, ...change(string) } : string)),
      }),
      measure,
    );
  }

  settle(): void {
    this.framed.set(this.sound());
  }

  revert(): void {
    this.geometry.set(this.begun());
    this.settle();
  }
}
