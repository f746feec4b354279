package yellowrail.core.idle;

import yellowrail.core.judging.Standing;

/**
 * One published limit beside the present value.
 *
 * @param name the limit
 * @param present the present value with its unit, or why it is not known
 * @param limit the limit with its unit, or that there is none
 * @param standing how they compare
 */
public record LimitCheck(String name, String present, String limit, Standing standing) {}
