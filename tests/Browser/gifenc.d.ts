/** What of it is used; the package brings no types. */
declare module 'gifenc' {
    type Palette = number[][];
    type Format = 'rgb565' | 'rgb444' | 'rgba4444';
    interface Frame {
        palette?: Palette;
        /** ms */
        delay?: number;
        transparent?: boolean;
        transparentIndex?: number;
        dispose?: number;
        /** 0 = for ever */
        repeat?: number;
    }
    interface Encoder {
        writeFrame: (index: Uint8Array, width: number, height: number, frame?: Frame) => void;
        finish: () => void;
        bytes: () => Uint8Array;
    }
    const gifenc: {
        GIFEncoder: () => Encoder;
        quantize: (rgba: Uint8Array, most: number, options?: { format?: Format }) => Palette;
        applyPalette: (rgba: Uint8Array, palette: Palette, format?: Format) => Uint8Array;
    };
    export default gifenc;
}
