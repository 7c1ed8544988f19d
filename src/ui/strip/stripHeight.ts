/** Of a lane, of the foot with its distances, and of the ground under it, px. */
export const [LANE, FOOT, GROUND] = [130, 40, 92]

/** Of the drawing, px. */
export const stripHeight = (lanes: number, onGround: boolean) => lanes * LANE + FOOT + (onGround ? GROUND : 0)
