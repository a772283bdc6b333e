/* A fixed amount of arithmetic, timed beside whatever is measured: how fast this machine is now. */
#include <math.h>

double reference(int rounds) {
    double x = 0.5, sum = 0;
    for (int i = 0; i < rounds; i++) {
        x = 3.7 * x * (1 - x);
        sum += sqrt(x) + sin(x);
    }
    return sum;
}
