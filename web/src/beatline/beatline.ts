// Room at the left of the Beatline, in pixels, so that a bead on frame 0 is seen
// whole.
export const leftRoom = 8
