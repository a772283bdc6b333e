/* The sums of `faircorner.motion` for one typical park, single-threaded, to be timed beside them.
 * Poses are passed over by the same bounds as there (docs/sums/contact.md), so that like is timed
 * with like.
 *
 * Reads from standard input: wheelbase, angle per turn, turns per metre; outline pieces and the
 * parked polygon; legs (direction, turns); then for every attempt its start pose and the metres
 * of each leg. Prints seconds taken and the sum of the least gaps, so that both can be compared.
 */
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <time.h>

#define STEPS 36
#define MOST 16
#define LEGS 8
#define POSES (LEGS * STEPS + 1)

typedef struct {
    int count;
    double x[MOST], y[MOST], reach;
} Polygon;

typedef struct {
    double x, y, h;
} Pose;

static double wheelbase, per_turn, rate;

static void read_polygon(Polygon *p) {
    if (scanf("%d", &p->count) != 1 || p->count > MOST) exit(1);
    p->reach = 0;
    for (int i = 0; i < p->count; i++) {
        if (scanf("%lf %lf", &p->x[i], &p->y[i]) != 2) exit(1);
        double r = hypot(p->x[i], p->y[i]);
        if (r > p->reach) p->reach = r;
    }
}

/* Integral of the curvature over turns: -ln cos is that of the tangent. */
static double swept(double turns) {
    return -log(cos(per_turn * turns)) / (per_turn * wheelbase);
}

/* Heading gained s metres into a leg whose wheel goes from `from` to `to`. */
static double gained(double s, double from, double to, double ramp, double curvature) {
    double share = ramp > 0 ? s / ramp : 1, now;
    if (share > 1) share = 1;
    now = from + (to - from) * share;
    double turning = (to >= from ? 1 : -1) * (swept(now) - swept(from)) / rate;
    return turning + curvature * (s > ramp ? s - ramp : 0);
}

static void against(const Polygon *a, const Polygon *b, double *squared, double *beside) {
    *squared = 1e30;
    *beside = -1e30;
    for (int e = 0; e < b->count; e++) {
        int f = (e + 1) % b->count;
        double ex = b->x[f] - b->x[e], ey = b->y[f] - b->y[e];
        double length = ex * ex + ey * ey, off_line = 1e30;
        for (int i = 0; i < a->count; i++) {
            double rx = a->x[i] - b->x[e], ry = a->y[i] - b->y[e];
            double share = (rx * ex + ry * ey) / length;
            share = share < 0 ? 0 : share > 1 ? 1 : share;
            double dx = rx - share * ex, dy = ry - share * ey, d = dx * dx + dy * dy;
            if (d < *squared) *squared = d;
            double out = rx * ey - ry * ex;
            if (out < off_line) off_line = out;
        }
        off_line /= sqrt(length);
        if (off_line > *beside) *beside = off_line;
    }
}

static double gap(const Polygon *a, const Polygon *b) {
    double near_a, near_b, side_a, side_b;
    against(a, b, &near_b, &side_b);
    against(b, a, &near_a, &side_a);
    double side = side_a > side_b ? side_a : side_b;
    return side < 0 ? side : sqrt(near_a < near_b ? near_a : near_b);
}

/* A standing polygon as a body at a pose sees it. */
static void seen_from(const Polygon *p, const Pose *at, Polygon *out) {
    double c = cos(at->h), s = sin(at->h);
    out->count = p->count;
    for (int i = 0; i < p->count; i++) {
        double dx = p->x[i] - at->x, dy = p->y[i] - at->y;
        out->x[i] = c * dx + s * dy;
        out->y[i] = c * dy - s * dx;
    }
}

static void box_of(const Polygon *p, double *box) {
    box[0] = box[1] = p->x[0];
    box[2] = box[3] = p->y[0];
    for (int i = 1; i < p->count; i++) {
        if (p->x[i] < box[0]) box[0] = p->x[i];
        if (p->x[i] > box[1]) box[1] = p->x[i];
        if (p->y[i] < box[2]) box[2] = p->y[i];
        if (p->y[i] > box[3]) box[3] = p->y[i];
    }
}

/* A bound from below that is cheap: how far apart the upright boxes around both stand. */
static double boxes_apart(const Polygon *a, const Polygon *b) {
    double p[4], q[4];
    box_of(a, p);
    box_of(b, q);
    double x = fmax(p[0] - q[1], q[0] - p[1]), y = fmax(p[2] - q[3], q[2] - p[3]);
    return fmax(x, y);
}

/* Lower the least gap so far by those of one piece: every eighth pose first, then all of them. */
static double nearer(const Polygon *piece, const Polygon *parked, const Pose *way, int count,
                     double best) {
    Polygon seen;
    Pose last = {0, 0, 0};
    double known = -1e30;
    for (int pass = 0; pass < 2; pass++)
        for (int i = 0; i < count; i += pass ? 1 : 8) {
            const Pose *at = &way[i];
            double moved = hypot(at->x - last.x, at->y - last.y) + piece->reach * fabs(at->h - last.h);
            if (known - moved > best) continue;
            seen_from(parked, at, &seen);
            last = *at;
            known = boxes_apart(piece, &seen);
            if (known > best) continue;
            known = gap(piece, &seen);
            if (known < best) best = known;
        }
    return best;
}

int main(void) {
    int pieces, legs, attempts, direction[LEGS];
    double turns[LEGS], sum = 0;
    Polygon outline[4], parked;
    Pose way[POSES];
    if (scanf("%lf %lf %lf %d", &wheelbase, &per_turn, &rate, &pieces) != 4 || pieces > 4) return 1;
    for (int i = 0; i < pieces; i++) read_polygon(&outline[i]);
    read_polygon(&parked);
    if (scanf("%d", &legs) != 1 || legs > LEGS) return 1;
    for (int i = 0; i < legs; i++)
        if (scanf("%d %lf", &direction[i], &turns[i]) != 2) return 1;
    if (scanf("%d", &attempts) != 1) return 1;
    double *given = malloc(sizeof(double) * (size_t)attempts * (size_t)(3 + legs));
    for (int i = 0; i < attempts * (3 + legs); i++)
        if (scanf("%lf", &given[i]) != 1) return 1;
    clock_t begun = clock();
    const double node = 0.5 / sqrt(3.0);
    for (int a = 0; a < attempts; a++) {
        const double *row = given + a * (3 + legs);
        double x = row[0], y = row[1], h = row[2], wheel = 0, best = 1e30;
        int count = 0;
        way[count++] = (Pose){x, y, h};
        for (int leg = 0; leg < legs; leg++) {
            double metres = row[3 + leg], to = turns[leg], step = metres / STEPS;
            double ramp = fabs(to - wheel) / rate, curvature = tan(per_turn * to) / wheelbase;
            double begin = h;
            for (int i = 1; i <= STEPS; i++) {
                double middle = (i - 0.5) * step, c = 0, s = 0;
                for (int k = -1; k <= 1; k += 2) {
                    double at = middle + k * node * step;
                    double now = begin + direction[leg] * gained(at, wheel, to, ramp, curvature);
                    c += cos(now);
                    s += sin(now);
                }
                x += direction[leg] * step / 2 * c;
                y += direction[leg] * step / 2 * s;
                h = begin + direction[leg] * gained(i * step, wheel, to, ramp, curvature);
                way[count++] = (Pose){x, y, h};
            }
            double share = ramp > 0 ? metres / ramp : 1;
            wheel += (to - wheel) * (share > 1 ? 1 : share);
        }
        for (int p = 0; p < pieces; p++) best = nearer(&outline[p], &parked, way, count, best);
        sum += best;
    }
    printf("%.6f %.9f\n", (double)(clock() - begun) / CLOCKS_PER_SEC, sum);
    free(given);
    return 0;
}
