import { describe, expect, it } from 'vitest';
import { exifFrom } from './exif';

describe('what a camera wrote', () => {
    const whole = {
        FNumber: 11,
        ExposureTime: 1 / 60,
        ISO: 320,
        FocalLength: 105,
        DateTimeOriginal: '2026:11:19 16:20:30',
        OffsetTimeOriginal: '+01:00',
        Model: ' Body B ',
    };

    it('comes under the names that an entry has for it', () => {
        expect(exifFrom(whole)).toEqual({
            takenAt: '2026-11-19T16:20:30+01:00',
            aperture: 11,
            exposureS: 1 / 60,
            iso: 320,
            focalLengthMm: 105,
            camera: 'Body B',
        });
    });

    it('is left out where it can’t be', () => {
        expect(exifFrom({ FNumber: 0, ExposureTime: -1, ISO: [100, 200], FocalLength: 0, DateTimeOriginal: '0000', Model: '' })).toBeNull();
        expect(exifFrom({ ...whole, OffsetTimeOriginal: 'here' })?.takenAt).toBe('2026-11-19T16:20:30');
        expect(exifFrom(undefined)).toBeNull();
        expect(exifFrom({})).toBeNull();
    });
});
