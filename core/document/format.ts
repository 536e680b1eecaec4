/** How a project file says what it is. */
export const FORMAT = 'zig-hem';
/** Version of its shape; older ones are brought up to it (migrations.ts). */
export const VERSION = 17;
