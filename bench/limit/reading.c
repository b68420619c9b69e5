/*
 * A reading of a rig as it is set, in plain C: what the same arithmetic (OPTICS.md, "The rig" to "Light") costs where nothing stands
 * between it and the machine. bin/bench limit compiles it, checks its figures against the core's and times both in turn.
 *
 * Reads rigs from standard input, as bench/limit.php writes them; nan = not known. With "check" it prints every figure at every setting
 * given with the rig, with "time" how many readings a second it makes. With "check-sweeps" and "time-sweeps" it reads sweeps instead, each a
 * rig, what may be otherwise in it as pairs of rigs, and the places of its control; a point is the reading there and its half-widths.
 */
#include "common.h"

enum kind { RING, LENS, CLOSE_UP, AFOCAL, OBJECTIVE, CONVERTER, PORT };
enum image { REAL, AT_INFINITY, NONE };

#define MOST_PARTS 40
#define MOST_OPENINGS 120
#define MOST_SETTINGS 1024

struct part {
    int kind;
    /* Balance and foot are from the part's rear, mm. */
    double mass, balance, foot;
    double length, clear;
    /* Close-up lens: 1/mm, and the plane from its front; afocal converter and teleconverter: factor; port: gap, glass, index, medium. */
    double power, plane, factor, na, gap, glass, index, medium;
    int reversed, shows_effective, bends;
    double mag0, mag1, f0, phi0, phi1, bend, reg, gap0, gap1, bulge, rim0, rim1, pupil0, pupil1, least_pupil, loss0, loss1, spread0, spread1;
    double protrusion, front_glass, image_circle, number, focus;
};

struct rig {
    double reg, throat, camera_mass, camera_middle, width, height, corner, lambda, blur, front_outer;
    int has_foot, working, count;
    struct part parts[MOST_PARTS];
    /* The control that is set, 0 = length, 1 = focus, and where to. */
    int control, at, settings;
    double set[MOST_SETTINGS];
};

struct reading {
    double magnification, working, subject, width, height, effective, lost, near, far, depth, wave, airy, detail, pupil, extension, gap, corner;
    double circle, marked, mount, foot;
    int image, corner_part;
};

struct opening {
    double r, axial, field;
    int part;
};

static void take(struct rig *rig)
{
    double *camera[] = {&rig->reg, &rig->throat, &rig->camera_mass, &rig->camera_middle, &rig->width, &rig->height, &rig->corner, &rig->lambda, &rig->blur, &rig->front_outer};
    for (size_t n = 0; n < sizeof camera / sizeof *camera; n++) *camera[n] = next_number();
    rig->has_foot = (int) next_number();
    rig->working = (int) next_number();
    rig->count = (int) next_number();
    for (int i = 0; i < rig->count; i++) {
        struct part *p = &rig->parts[i];
        p->kind = (int) next_number();
        double *plain[] = {&p->mass, &p->balance, &p->foot, &p->length, &p->clear, &p->power, &p->plane, &p->factor, &p->na, &p->gap, &p->glass, &p->index, &p->medium};
        for (size_t n = 0; n < sizeof plain / sizeof *plain; n++) *plain[n] = next_number();
        if (p->kind != LENS) continue;
        p->reversed = (int) next_number();
        p->shows_effective = (int) next_number();
        p->bends = (int) next_number();
        double *lens[] = {&p->mag0, &p->mag1, &p->f0, &p->phi0, &p->phi1, &p->bend, &p->reg, &p->gap0, &p->gap1, &p->bulge, &p->rim0, &p->rim1, &p->pupil0, &p->pupil1, &p->least_pupil, &p->loss0, &p->loss1, &p->spread0, &p->spread1, &p->protrusion, &p->front_glass, &p->image_circle, &p->number, &p->focus};
        for (size_t n = 0; n < sizeof lens / sizeof *lens; n++) *lens[n] = next_number();
    }
    rig->control = (int) next_number();
    rig->at = (int) next_number();
    rig->settings = (int) next_number();
    for (int n = 0; n < rig->settings; n++) rig->set[n] = next_number();
}

static double overlap(double p, double c, double q)
{
    if (p <= 0.0) return q <= c ? 1.0 : 0.0;
    if (q >= p + c) return 0.0;
    if (q <= fabs(p - c)) return c >= p ? 1.0 : c * c / (p * p);
    double one = (q * q + p * p - c * c) / (2.0 * q * p);
    double two = (q * q + c * c - p * p) / (2.0 * q * c);
    double lens = (-q + p + c) * (q + p - c) * (q - p + c) * (q + p + c);
    double area = p * p * acos(fmax(-1.0, fmin(1.0, one))) + c * c * acos(fmax(-1.0, fmin(1.0, two))) - 0.5 * sqrt(fmax(0.0, lens));
    return fmax(0.0, fmin(1.0, area / (M_PI * p * p)));
}

/* Masses on a lever. */
static void weigh(const struct rig *rig, const double *rear, const double *front_of, double converter, struct reading *out)
{
    double mass = 0.0, sum = 0.0, about = 0.0;
    int known = 0;
    if (!isnan(rig->camera_mass)) {
        mass = rig->camera_mass;
        sum = rig->camera_mass * rig->camera_middle;
    }
    for (int i = 0; i < rig->count; i++) {
        const struct part *p = &rig->parts[i];
        if (isnan(p->mass)) continue;
        double balance = (isnan(p->balance) ? (rear[i] + front_of[i]) / 2.0 : rear[i] + p->balance) + (i == 0 ? converter / 2.0 : converter);
        known = 1;
        about += p->mass * (balance - rig->reg);
        mass += p->mass;
        sum += p->mass * balance;
    }
    if (known) out->mount = 9.81e-6 * about;
    if (rig->has_foot && mass > 0.0) {
        double point = sum / mass, best = NAN;
        for (int i = 0; i < rig->count; i++) {
            double foot = rear[i] + rig->parts[i].foot + converter;
            if (!isnan(foot) && (isnan(best) || fabs(foot - point) < fabs(best - point))) best = foot;
        }
        if (!isnan(best)) out->foot = 9.81e-6 * mass * (point - best);
    }
}

/* With on_axis only what lies on the axis: half-widths ask for nothing else. */
static void make_reading(const struct rig *rig, struct reading *out, int on_axis)
{
    struct opening open[MOST_OPENINGS];
    double rear[MOST_PARTS], front_of[MOST_PARTS];
    int openings = 0, stop = -1, groups = 0, first = 1, unmodelled = 0;
    double y = 0.0, t = 1.0, fy = 1.0, ft = 0.0, z = 0.0, front = rig->reg, optical = rig->reg, medium = 1.0, most = 0.0;
    double factor = 1.0, converter = 0.0, na = NAN;
    double number = 0.0, chief = NAN, invariant = 0.0;

    out->magnification = out->working = out->subject = out->width = out->height = out->effective = out->lost = out->near = out->far = NAN;
    out->depth = out->wave = out->airy = out->detail = out->pupil = out->extension = out->gap = out->corner = out->circle = out->marked = NAN;
    out->mount = out->foot = NAN;
    out->corner_part = -2;
    out->image = NONE;
    if (!isnan(rig->throat)) {
        open[openings++] = (struct opening) {rig->throat / 2.0, front, 1.0, -1};
        most = front / rig->throat;
        stop = 0;
    }
    for (int i = 0; i < rig->count; i++) {
        const struct part *p = &rig->parts[i];
        /* Openings behind the group and in front of it: place and radius. */
        double at[2][2], radius[2][2], power = NAN, times = 1.0, enters = 0.0, leaves = 0.0;
        int behind = 0, ahead = 0;
        rear[i] = front;
        switch (p->kind) {
        case RING: {
            double tip = optical + p->length / medium;
            if (!isnan(p->clear)) {
                at[0][0] = optical;
                at[0][1] = tip;
                radius[0][0] = radius[0][1] = p->clear / 2.0;
                behind = 2;
            }
            front += p->length;
            optical = tip;
            break;
        }
        case LENS: {
            double s = p->mag1 > 0.0 ? p->focus : 0.0;
            double f = p->phi1 == 0.0 && p->bend == 0.0 ? p->f0 : 1.0 / ((p->phi0 + p->phi1 * s) * (1.0 - p->bend * s * (1.0 - s)));
            double m = p->mag0 + p->mag1 * s;
            double a = f * (1.0 + p->mag0 + p->mag1 * s) - p->reg;
            double b = a + p->gap0 + (p->gap1 + p->bulge * (1.0 - s)) * s;
            double rim = p->rim0 + p->rim1 * s;
            double loss = (p->loss0 + p->loss1 * s) * (p->spread0 + p->spread1 * s);
            double pupil = p->bends ? fmax(p->pupil0 + p->pupil1 * s, p->least_pupil) : p->pupil0;
            double e = p->bends ? f * (1.0 + m / pupil) / loss : p->f0;
            double n = p->shows_effective ? p->number / loss : p->number;
            power = 1.0 / f;
            if (p->reversed) {
                enters = front + rim - b;
                leaves = front + rim - a;
                if (!isnan(p->front_glass)) {
                    at[0][behind] = front;
                    radius[0][behind++] = p->front_glass / 2.0;
                }
                if (!isnan(n)) {
                    at[0][behind] = enters - f * (1.0 - 1.0 / pupil);
                    radius[0][behind++] = e / (2.0 * n);
                }
                front += rim + p->protrusion;
            } else {
                enters = front + a;
                leaves = front + b;
                if (!isnan(n)) {
                    at[0][behind] = enters - f * (1.0 - pupil);
                    radius[0][behind++] = pupil * e / (2.0 * n);
                }
                if (first) {
                    out->extension = front - p->reg;
                    out->circle = p->image_circle * (1.0 + (enters / f - 1.0) / pupil) * factor;
                }
                front += rim;
                if (!isnan(p->front_glass)) {
                    at[1][0] = front;
                    radius[1][0] = p->front_glass / 2.0;
                    ahead = 1;
                }
            }
            optical = front;
            first = 0;
            if (rig->working == i) out->marked = n;
            break;
        }
        case CLOSE_UP:
        case AFOCAL: {
            double tip = optical + p->length / medium;
            power = p->kind == AFOCAL ? 0.0 : p->power;
            times = p->kind == AFOCAL ? p->factor : 1.0;
            enters = leaves = p->kind == AFOCAL ? optical : optical + (p->length - p->plane) / medium;
            if (!isnan(p->clear)) {
                at[0][0] = optical;
                at[1][0] = tip;
                radius[0][0] = radius[1][0] = p->clear / 2.0;
                behind = ahead = 1;
            }
            front += p->length;
            optical = tip;
            break;
        }
        case OBJECTIVE:
            power = p->power;
            enters = leaves = optical + p->plane;
            front += p->length;
            optical += p->length;
            na = p->na;
            break;
        case CONVERTER:
            if (i == 0) {
                factor = p->factor;
                converter = p->length;
            } else {
                unmodelled = 1;
                front += p->length;
                optical += p->length;
            }
            break;
        case PORT:
            front += p->gap + p->glass;
            optical += p->gap + p->glass / p->index;
            medium = p->medium;
            break;
        }
        for (int side = 0; side < 2; side++) {
            int count = side == 0 ? behind : ahead;
            for (int o = 0; o < count; o++) {
                double d = at[side][o] - z, h = y + t * d, r = radius[side][o];
                open[openings++] = (struct opening) {r, h, fy + ft * d, i};
                if (fabs(h) / (2.0 * r) > most) {
                    most = fabs(h) / (2.0 * r);
                    stop = openings - 1;
                }
            }
            if (isnan(power) || side == 1) continue;
            double d = enters - z;
            y += t * d;
            t -= y * power;
            fy += ft * d;
            ft -= fy * power;
            if (times != 1.0) {
                y *= times;
                t /= times;
                fy *= times;
                ft /= times;
            }
            z = leaves;
            groups++;
        }
        front_of[i] = front;
    }

    if (!on_axis) weigh(rig, rear, front_of, converter, out);
    if (unmodelled) {
        out->extension = out->circle = out->marked = NAN;
        return;
    }

    int image = (fabs(t) <= 1e-9 && y != 0.0) || (y > 0.0 && t > 0.0) ? AT_INFINITY : y == 0.0 || (y < 0.0 && t < 0.0) ? NONE : REAL;
    double turn = t < 0.0 ? -1.0 : 1.0, slope = image == REAL ? t * turn : image == NONE ? -1.0 : 0.0, height = (y + t * (optical - z)) * turn;
    out->image = image;
    if (!isnan(na) && slope > 0.0 && slope / (2.0 * na) > most) {
        number = slope / (2.0 * na);
        chief = -ft / t;
        stop = -1;
    } else if (stop >= 0 && most > 0.0 && groups > 0) {
        double h = open[stop].axial;
        number = most;
        chief = -open[stop].field / h;
        invariant = (ft * h - t * open[stop].field) * turn * (h < 0.0 ? -0.5 : 0.5) / open[stop].r;
    } else {
        stop = -1;
    }
    double effective = number * factor, lambda = rig->lambda;
    if (number > 0.0) {
        out->effective = effective;
        out->airy = 2.44 * lambda * effective;
        out->lost = 2.0 * log2(effective / out->marked);
    }
    if (slope > 0.0) {
        double m = slope * factor, working = -medium * height / slope;
        out->magnification = m;
        out->working = working;
        out->subject = front + working + converter;
        out->width = rig->width / m;
        out->height = rig->height / m;
        if (working >= 0.0 && rig->count > 0) out->gap = atan2(working, rig->front_outer / 2.0) * 180.0 / M_PI;
        if (number > 0.0) {
            double blur = rig->blur / m, to = m / (2.0 * effective);
            if (fabs(invariant) > 1e-14 * number * (1.0 + fabs(chief * slope))) {
                double pupil = medium * number / (invariant * slope), s = pupil / medium, de = s * m / effective;
                out->pupil = pupil;
                out->near = de < 0.0 && de >= -blur ? NAN : s * blur / (de + blur) * medium;
                out->far = de > 0.0 && de <= blur ? NAN : s * blur / (de - blur) * medium;
            } else {
                out->near = out->far = rig->blur * effective / (m * m) * medium;
            }
            out->depth = out->near + out->far;
            out->wave = lambda / (to * to) * medium;
            out->detail = 1.22 * lambda * effective / m;
        }
    } else if (image == AT_INFINITY) {
        out->magnification = 0.0;
        out->gap = 90.0;
    }

    if (isnan(chief) || on_axis) return;
    out->corner = 1.0;
    if (2.0 * rig->corner > out->circle * (1.0 + 1e-9)) {
        out->corner = 0.0;
        for (int i = rig->count - 1; i >= 0; i--)
            if (rig->parts[i].kind == LENS) out->corner_part = i;
        return;
    }
    double corner = rig->corner / factor, half = 0.5 / number;
    for (int j = 0; j < openings; j++) {
        if (j == stop) continue;
        double q = fabs(corner * (open[j].field + chief * open[j].axial)), p = fabs(open[j].axial) * half;
        if (q + p <= open[j].r * (1.0 + 1e-9)) continue;
        double left = overlap(p, open[j].r, q);
        if (left < out->corner) {
            out->corner = left;
            out->corner_part = open[j].part;
        }
    }
}

static void put(struct rig *rig, double value)
{
    if (rig->control == 0) rig->parts[rig->at].length = value;
    else rig->parts[rig->at].focus = value;
}

/* A sweep: a rig, what may be otherwise in it, each moved up and down, and the places of its control. */
struct sweep {
    struct rig rig;
    int inputs;
    struct rig *moved;
};

#define HALVES 14

static void halves_of(const struct reading *told, double *to)
{
    double each[HALVES] = {told->magnification, told->width, told->height, told->working, told->subject, told->effective, told->lost, told->depth, told->near, told->far, told->wave, told->airy, told->detail, told->pupil};
    memcpy(to, each, sizeof each);
}

/* The reading at one place and its half-widths: the root of the sum over inputs of ((r(+) - r(-)) / 2)^2. */
static void make_point(struct sweep *sweep, double place, struct reading *told, double *half)
{
    struct reading moved;
    double up[HALVES], down[HALVES];
    put(&sweep->rig, place);
    make_reading(&sweep->rig, told, 0);
    for (int h = 0; h < HALVES; h++) half[h] = 0.0;
    for (int i = 0; i < sweep->inputs; i++) {
        for (int way = 0; way < 2; way++) {
            put(&sweep->moved[2 * i + way], place);
            make_reading(&sweep->moved[2 * i + way], &moved, 1);
            halves_of(&moved, way == 0 ? up : down);
        }
        for (int h = 0; h < HALVES; h++) {
            double change = (up[h] - down[h]) / 2.0;
            if (!isnan(change)) half[h] += change * change;
        }
    }
    for (int h = 0; h < HALVES; h++) half[h] = sqrt(half[h]);
}

static void print_reading(const struct reading *told)
{
    printf("%d %d %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g %.17g", told->image, told->corner_part, told->magnification, told->working, told->subject, told->width, told->height, told->effective, told->lost, told->near, told->far, told->depth, told->wave, told->airy, told->detail, told->pupil, told->extension, told->gap, told->corner, told->circle, told->marked, told->mount, told->foot);
}

/* So that nothing of what is timed is left out. */
static double kept = 0.0;

static long read_all(struct rig *all, int rigs)
{
    struct reading told;
    long done = 0;
    for (int n = 0; n < all[0].settings; n++)
        for (int r = 0; r < rigs; r++) {
            put(&all[r], all[r].set[n % all[r].settings]);
            make_reading(&all[r], &told, 0);
            kept += told.corner + told.mount + told.detail + told.near + told.lost;
            done++;
        }
    return done;
}

static long sweep_all(struct sweep *all, int sweeps)
{
    struct reading told;
    double half[HALVES];
    long done = 0;
    for (int r = 0; r < sweeps; r++)
        for (int n = 0; n < all[r].rig.settings; n++) {
            make_point(&all[r], all[r].rig.set[n], &told, half);
            kept += told.corner + told.mount + half[0] + half[3] + half[HALVES - 1];
            done++;
        }
    return done;
}

int main(int count, char **words)
{
    const char *how = count > 1 ? words[1] : "time";
    int many = (int) next_number(), is_sweep = strstr(how, "sweeps") != NULL;
    struct rig *rigs = room_for(is_sweep ? 0 : many, sizeof *rigs);
    struct sweep *sweeps = room_for(is_sweep ? many : 0, sizeof *sweeps);
    struct reading told;
    double half[HALVES];
    for (int r = 0; r < many; r++) {
        if (!is_sweep) {
            take(&rigs[r]);
            continue;
        }
        take(&sweeps[r].rig);
        sweeps[r].inputs = (int) next_number();
        sweeps[r].moved = room_for(2 * sweeps[r].inputs, sizeof *sweeps[r].moved);
        for (int i = 0; i < 2 * sweeps[r].inputs; i++) take(&sweeps[r].moved[i]);
    }
    if (strncmp(how, "check", 5) == 0) {
        for (int r = 0; r < many; r++) {
            struct rig *rig = is_sweep ? &sweeps[r].rig : &rigs[r];
            for (int n = 0; n < rig->settings; n++) {
                if (is_sweep) {
                    make_point(&sweeps[r], rig->set[n], &told, half);
                } else {
                    put(rig, rig->set[n]);
                    make_reading(rig, &told, 0);
                }
                print_reading(&told);
                for (int h = 0; is_sweep && h < HALVES; h++) printf(" %.17g", half[h]);
                printf("\n");
            }
        }
        return 0;
    }
    double best = 0.0;
    for (int stretch = 0; stretch < 40; stretch++) {
        double from = seconds(), passed;
        long done = 0;
        do {
            done += is_sweep ? sweep_all(sweeps, many) : read_all(rigs, many);
            passed = seconds() - from;
        } while (passed < 0.05);
        if ((double) done / passed > best) best = (double) done / passed;
    }
    printf("%.17g %g\n", best, isnan(kept) ? 0.0 : kept);
    return 0;
}
