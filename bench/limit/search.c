/*
 * A search through everything that a kit can become, in plain C: what the same arithmetic costs where nothing stands between it and the
 * machine. Sets of rings, front assemblies and what those do to a ray are given, as bench/limit.php writes them; from there on it does what
 * a wish asks: where each front assembly meets it as its ring is turned, which sets of rings are as long as that, and the best of those.
 * Of wishes it knows a field or a working distance, least room, most length and most mass; of lenses those that move as a whole.
 *
 * Reads from standard input; nan = not known. With "check" it prints how many rigs do it, then the best: camera, front assembly, set of
 * rings and key. With "time" it prints how many rigs a second it goes through.
 */
#include "common.h"

#define PLACES 9
#define HALVINGS 18
#define CLASSES 16
#define BEST 400
#define MOST_POINTS (2 * PLACES)
#define MOST_OPENINGS 24
#define MOST_STOPS 48

/* As the core has them: Finding/Limits.php, Finding/Weight.php. */
#define SPOT_OVER_BLUR 2.0
#define SHUT_OUT_DEG 20.0
#define TOUCHING_MM 5.0
#define BETTER_REVERSED 1.0
#define WRONG_WAY 0.5
#define DETAIL 0.25

struct ray {
    double s, a, b, c, d, last, front, reduced, medium, na, shown;
    int working, openings;
    double alpha[MOST_OPENINGS], beta[MOST_OPENINGS], radius[MOST_OPENINGS];
};

struct optics {
    int carries, far, disagree, stops, lays;
    double widest, front_outer, stop[MOST_STOPS];
    struct ray lay[PLACES], end[2];
};

struct body {
    double factor, converter, throat, blur, pitch, mass, per_joint, width, lambda;
    int joints;
};

struct group {
    int count;
    double *least, *most, *mass;
    int *joints, *class;
};

struct front {
    double mass;
    int joints, optics, *group, *works;
    struct optics *each;
};

struct point {
    double z, effective, lost, weight;
    int joined;
};

struct best {
    double key;
    long order;
    int body, front, stack;
};

static struct wish {
    int is_distance;
    double value, room, mass, length;
} wish;
static int bodies, groups, fronts;
static struct body *body;
static struct group *group;
static struct front *front;
static struct best *held;
static int held_count;
static double limit;

static int whole(void)
{
    return (int) next_number();
}

static void take_ray(struct ray *ray)
{
    double *plain[] = {&ray->s, &ray->a, &ray->b, &ray->c, &ray->d, &ray->last, &ray->front, &ray->reduced, &ray->medium, &ray->na, &ray->shown};
    for (size_t n = 0; n < sizeof plain / sizeof *plain; n++) *plain[n] = next_number();
    ray->working = whole();
    ray->openings = whole();
    if (ray->openings > MOST_OPENINGS) exit(3);
    for (int j = 0; j < ray->openings; j++) {
        ray->alpha[j] = next_number();
        ray->beta[j] = next_number();
        ray->radius[j] = next_number();
    }
}

static void take(void)
{
    bodies = whole();
    body = room_for(bodies, sizeof *body);
    for (int b = 0; b < bodies; b++) {
        double *plain[] = {&body[b].factor, &body[b].converter, &body[b].throat, &body[b].blur, &body[b].pitch, &body[b].mass, &body[b].per_joint, &body[b].width, &body[b].lambda};
        for (size_t n = 0; n < sizeof plain / sizeof *plain; n++) *plain[n] = next_number();
        body[b].joints = whole();
    }
    groups = whole();
    group = room_for(groups, sizeof *group);
    for (int g = 0; g < groups; g++) {
        int count = group[g].count = whole();
        group[g].least = room_for(count, sizeof(double));
        group[g].most = room_for(count, sizeof(double));
        group[g].mass = room_for(count, sizeof(double));
        group[g].joints = room_for(count, sizeof(int));
        group[g].class = room_for(count, sizeof(int));
        for (int i = 0; i < count; i++) {
            group[g].least[i] = next_number();
            group[g].most[i] = next_number();
            group[g].mass[i] = next_number();
            group[g].joints[i] = whole();
            group[g].class[i] = whole();
        }
    }
    fronts = whole();
    front = room_for(fronts, sizeof *front);
    for (int f = 0; f < fronts; f++) {
        front[f].mass = next_number();
        front[f].joints = whole();
        front[f].group = room_for(bodies, sizeof(int));
        front[f].works = room_for(bodies * CLASSES, sizeof(int));
        for (int b = 0; b < bodies; b++) {
            front[f].group[b] = whole();
            for (int c = 0; c < CLASSES; c++) front[f].works[b * CLASSES + c] = whole();
        }
        front[f].optics = whole();
        front[f].each = room_for(front[f].optics, sizeof *front[f].each);
        for (int o = 0; o < front[f].optics; o++) {
            struct optics *each = &front[f].each[o];
            each->carries = whole();
            each->far = whole();
            each->disagree = whole();
            each->widest = next_number();
            each->front_outer = next_number();
            each->stops = whole();
            if (each->stops > MOST_STOPS) exit(3);
            for (int n = 0; n < each->stops; n++) each->stop[n] = next_number();
            each->lays = whole();
            for (int n = 0; n < each->lays; n++) take_ray(&each->lay[n]);
            if (each->carries) {
                take_ray(&each->end[0]);
                take_ray(&each->end[1]);
            }
        }
    }
}

static void take_wish(void)
{
    wish.is_distance = whole();
    wish.value = next_number();
    wish.room = next_number();
    wish.mass = next_number();
    wish.length = next_number();
}

/* Where it stands for the target to be met; nan = nowhere in that way. */
static double place(const struct body *on, const struct ray *ray, int way)
{
    double z;
    if (wish.is_distance) {
        double to = ray->last - ray->reduced - wish.value / ray->medium, under = to * ray->c - ray->a;
        z = under == 0.0 ? NAN : (ray->b - to * ray->d) / under;
    } else {
        double slope = on->width / wish.value / on->factor;
        z = ray->c == 0.0 ? NAN : ((way == 0 ? -slope : slope) - ray->d) / ray->c;
    }
    if (isnan(z) || z < 0.0 || (!wish.is_distance && (ray->c * z + ray->d > 0.0) != (way == 1))) return NAN;
    return z;
}

/* Working distance; nan = no picture of anything outside. */
static double room(const struct ray *ray, double z)
{
    double y = ray->a * z + ray->b, t = ray->c * z + ray->d;
    if (!((y > 0.0 && t < 0.0) || (y < 0.0 && t > 0.0))) return NAN;
    double left = (ray->last - y / t - ray->reduced) * ray->medium;
    return left < 0.0 ? NAN : left;
}

static int fits(const struct body *on, const struct ray *ray, double z)
{
    double left = room(ray, z);
    return !isnan(left) && (isnan(wish.room) || left >= wish.room * (1.0 - 1e-12)) && (isnan(wish.length) || z + ray->front + on->converter <= wish.length);
}

static void carried(const struct optics *optics, double s, struct ray *to)
{
    const struct ray *from = &optics->end[0], *until = &optics->end[1];
    double share = (s - from->s) / (until->s - from->s);
    *to = *from;
    to->s = s;
    to->b = from->b + share * (until->b - from->b);
    to->d = from->d + share * (until->d - from->d);
    to->last = from->last + share * (until->last - from->last);
    to->front = from->front + share * (until->front - from->front);
    to->reduced = from->reduced + share * (until->reduced - from->reduced);
    for (int j = 0; j < from->openings; j++) to->beta[j] = from->beta[j] + share * (until->beta[j] - from->beta[j]);
}

/* What it does at one of its points: its light, and what is certainly wrong there. */
static void judge(const struct body *on, const struct optics *optics, const struct ray *ray, double z, struct point *to)
{
    double t = ray->c * z + ray->d, m = fabs(t) * on->factor, fixed = on->throat, open = 0.0, stop = NAN;
    for (int j = 0; j < ray->openings; j++) {
        double each = fabs(ray->alpha[j] * z + ray->beta[j]) / (2.0 * ray->radius[j]);
        if (j == ray->working) open = each;
        else if (each > fixed) fixed = each;
    }
    if (!isnan(ray->na) && fabs(t) / (2.0 * ray->na) > fixed) fixed = fabs(t) / (2.0 * ray->na);
    double effective = fmax(fixed, open) * on->factor;
    for (int n = 0; n < optics->stops; n++) {
        double at = isnan(optics->stop[n]) || isnan(optics->widest) ? open : open * optics->stop[n] / optics->widest;
        effective = fmax(fixed, at) * on->factor;
        stop = optics->stop[n];
        if (2.44 * on->lambda * effective <= SPOT_OVER_BLUR * on->blur) break;
    }
    double left = room(ray, z), gap = atan2(left, optics->front_outer / 2.0) * 180.0 / M_PI, spot = 2.44 * on->lambda * effective;
    int shut = gap < SHUT_OUT_DEG;
    double weight = 0.5 * optics->disagree;
    weight += left < TOUCHING_MM ? (shut ? 1.5 : 1.0) : shut ? 0.3 + (SHUT_OUT_DEG - gap) / SHUT_OUT_DEG : 0.0;
    weight += spot > SPOT_OVER_BLUR * on->blur ? 0.5 + fmax(0.0, log2(spot / (SPOT_OVER_BLUR * on->blur))) : 0.0;
    double detail = 1.22 * on->lambda * effective / m;
    weight += (optics->far && m > BETTER_REVERSED ? WRONG_WAY : 0.0) + (isnan(on->pitch) ? 0.0 : DETAIL * fmax(0.0, log2(fmax(1e-9, detail) * m / (2.0 * on->pitch))));
    to->z = z;
    to->effective = effective;
    to->lost = isnan(stop) || effective <= 0.0 ? NAN : 2.0 * log2(effective / (stop / ray->shown));
    to->weight = weight;
}

static void add(const struct body *on, const struct optics *optics, const struct ray *ray, double z, int joined, struct point *points, int *count)
{
    if (*count > 0) points[*count - 1].joined = joined;
    judge(on, optics, ray, z, &points[(*count)++]);
}

/* The points at which one front assembly does it as its ring is turned, and between which neighbours all limits are kept. */
static int curve(const struct body *on, const struct optics *optics, int way, double from, double to, struct point *points)
{
    int count = 0, before = 0;
    double before_z = NAN;
    struct ray between, good_ray;
    for (int n = 0; n < optics->lays; n++) {
        const struct ray *ray = &optics->lay[n];
        double z = place(on, ray, way);
        int does = !isnan(z) && fits(on, ray, z);
        if (n > 0 && does != before) {
            double slack = fabs(z - before_z), found = NAN;
            if (!(fmax(z, before_z) + slack < from || fmin(z, before_z) - slack > to)) {
                double good = does ? ray->s : optics->lay[n - 1].s, bad = does ? optics->lay[n - 1].s : ray->s;
                for (int h = 0; h < HALVINGS; h++) {
                    double s = (good + bad) / 2.0;
                    carried(optics, s, &between);
                    double at = place(on, &between, way);
                    if (!isnan(at) && fits(on, &between, at)) {
                        good = s;
                        found = at;
                        good_ray = between;
                    } else {
                        bad = s;
                    }
                }
            }
            if (!isnan(found)) add(on, optics, &good_ray, found, !does, points, &count);
            if (does) add(on, optics, ray, z, !isnan(found), points, &count);
        } else if (does) {
            add(on, optics, ray, z, n > 0, points, &count);
        }
        before = does;
        before_z = z;
    }
    return count;
}

static int in_order(const void *one, const void *other)
{
    const struct best *a = one, *b = other;
    if (a->key != b->key) return a->key < b->key ? -1 : 1;
    if (a->order != b->order) return a->order < b->order ? -1 : 1;
    return a->stack - b->stack;
}

static void cut(void)
{
    qsort(held, (size_t) held_count, sizeof *held, in_order);
    if (held_count >= BEST) {
        held_count = BEST;
        limit = held[BEST - 1].key;
    }
}

/* Everything: how many rigs there are, and how many do it; the best are held. */
static long search(long *rigs)
{
    static double *keys = NULL;
    static int *from = NULL, room_of = 0;
    long does = 0;
    *rigs = 0;
    held_count = 0;
    limit = INFINITY;
    for (int f = 0; f < fronts; f++)
        for (int b = 0; b < bodies; b++) {
            const struct group *in = &group[front[f].group[b]];
            const int *works = &front[f].works[b * CLASSES];
            const struct body *on = &body[b];
            *rigs += in->count;
            if (in->count > room_of) {
                room_of = in->count;
                keys = realloc(keys, (size_t) room_of * sizeof *keys);
                from = realloc(from, (size_t) room_of * sizeof *from);
                if (keys == NULL || from == NULL) exit(2);
            }
            double longest = -INFINITY, most_mass = isnan(wish.mass) ? INFINITY : wish.mass - (on->mass + front[f].mass);
            int any = 0, known = on->joints + front[f].joints, curves = 0;
            for (int i = 0; i < in->count; i++) {
                keys[i] = INFINITY;
                any |= works[in->class[i]] >= 0;
                longest = fmax(longest, in->most[i]);
            }
            if (!any) continue;
            for (int o = 0; o < front[f].optics; o++)
                for (int way = 0; way < (wish.is_distance ? 1 : 2); way++) {
                    struct point points[MOST_POINTS];
                    int count = curve(on, &front[f].each[o], way, in->least[0], longest, points);
                    if (count == 0) continue;
                    double nearest = INFINITY, furthest = -INFINITY;
                    for (int n = 0; n < count; n++) {
                        nearest = fmin(nearest, points[n].z);
                        furthest = fmax(furthest, points[n].z);
                    }
                    for (int i = 0; i < in->count && in->least[i] <= furthest + 1e-9; i++) {
                        double low = in->least[i], high = in->most[i], share = 0.0;
                        if (high < nearest - 1e-9 || works[in->class[i]] < 0 || in->mass[i] > most_mass) continue;
                        int n = 0, to = -1;
                        for (; n < count; n++) {
                            double z = points[n].z;
                            if (z >= low - 1e-9 && z <= high + 1e-9) {
                                to = n;
                                break;
                            }
                            if (n < count - 1 && points[n].joined && (z < low ? points[n + 1].z >= low : points[n + 1].z <= high)) {
                                share = ((z < low ? low : high) - z) / (points[n + 1].z - z);
                                to = share > 0.0 ? n + 1 : n;
                                break;
                            }
                        }
                        if (to < 0) continue;
                        double lost = isnan(points[n].lost) || isnan(points[to].lost) ? 99.0 : points[n].lost + share * (points[to].lost - points[n].lost);
                        double weight = works[in->class[i]] + fmin(points[n].weight, points[to].weight) + on->per_joint * (in->joints[i] + known);
                        double key = weight * 1e4 + (in->joints[i] + known) * 10.0 + lost * 0.1;
                        if (key < keys[i]) {
                            keys[i] = key;
                            from[i] = curves;
                        }
                    }
                    curves++;
                }
            for (int i = 0; i < in->count; i++) {
                if (keys[i] == INFINITY) continue;
                does++;
                if (keys[i] >= limit) continue;
                held[held_count++] = (struct best) {keys[i], ((long) b * fronts + f) * 10000 + from[i], b, f, i};
                if (held_count >= 4 * BEST) cut();
            }
        }
    cut();
    return does;
}

int main(int count, char **words)
{
    long rigs, does = 0;
    held = room_for(4 * BEST + 1, sizeof *held);
    take();
    int wishes = whole();
    for (int w = 0; w < wishes; w++) {
        take_wish();
        if (count > 1 && strcmp(words[1], "check") == 0) {
            does = search(&rigs);
            printf("%ld %ld %d\n", rigs, does, held_count);
            for (int n = 0; n < held_count; n++) printf("%d %d %d %.17g\n", held[n].body, held[n].front, held[n].stack, held[n].key);
            continue;
        }
        double best = INFINITY;
        for (int n = 0; n < 40; n++) {
            double from = seconds();
            does += search(&rigs);
            best = fmin(best, seconds() - from);
        }
        printf("%.17g %ld\n", best, does);
    }
    return 0;
}
