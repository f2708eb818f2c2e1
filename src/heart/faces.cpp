#include "faces.hpp"

#include <algorithm>

namespace heart {

namespace {

// A part of a piece that only rises or only falls; `side` is that of the centre on which it lies, for arcs.
struct Monotone {
    int piece;
    double low, high, side;
};

void add_parts(const Pieces& curves, int k, std::vector<Monotone>& parts) {
    const Piece& piece = curves[k];
    std::vector<std::pair<double, double>> stops{{0.0, piece.start.y}};
    if (piece.is_arc) {
        double size = std::fabs(piece.sweep),
               first = piece.sweep >= 0 ? piece.start_angle : piece.start_angle + piece.sweep;
        for (int quarter : {1, 3}) {
            double away = turned(quarter * PI / 2 - first);
            if (away <= 0 || away >= size) continue;
            double share = (piece.sweep >= 0 ? away : size - away) / std::max(size, NOUGHT);
            stops.emplace_back(share, piece.centre.y + (quarter == 1 ? 1.0 : -1.0) * piece.radius);
        }
    }
    stops.emplace_back(1.0, piece.end.y);
    std::sort(stops.begin() + 1, stops.end() - 1);
    for (size_t s = 1; s < stops.size(); ++s) {
        P top = piece.point_at((stops[s - 1].first + stops[s].first) / 2);
        auto [low, high] = std::minmax(stops[s - 1].second, stops[s].second);
        parts.push_back({k, low, high, top.x >= piece.centre.x ? 1.0 : -1.0});
    }
}

double crossing_at(const Piece& piece, const Monotone& part, double y) {
    if (piece.is_arc) {
        double off = y - piece.centre.y, square = piece.radius * piece.radius - off * off;
        return piece.centre.x + part.side * std::sqrt(std::max(square, 0.0));
    }
    double rise = piece.end.y - piece.start.y;
    return piece.start.x + (piece.end.x - piece.start.x) * ((y - piece.start.y) / (rise == 0 ? 1.0 : rise));
}

// For each outside the smallest face of another component that holds it, or -1: a ray from it to the right crosses the
// outline of each face that holds it an odd number of times.
std::vector<int> parents(const Pieces& curves, const Cycles& cycles, const Faces& faces) {
    std::vector<int> some(cycles.count()), number(cycles.count(), -1);
    for (int h = 0; h < static_cast<int>(cycles.label.size()); ++h) some[cycles.label[h]] = h;
    for (int f = 0; f < static_cast<int>(faces.outer.size()); ++f) number[faces.outer[f]] = f;
    std::vector<P> points;
    for (int c : faces.outsides) points.push_back(end_of(curves, some[c]));
    std::vector<std::vector<int>> hits(points.size());
    for (const Crossed& crossed : crossed_edges(curves, points))
        for (int half : {2 * crossed.edge, 2 * crossed.edge + 1}) {
            int cycle = cycles.label[half];
            bool other = faces.component[cycle] != faces.component[faces.outsides[crossed.ray]];
            if (number[cycle] >= 0 && other) hits[crossed.ray].push_back(number[cycle]);
        }
    std::vector<int> parent(points.size(), -1);
    for (size_t ray = 0; ray < points.size(); ++ray) {
        auto& faces_hit = hits[ray];
        std::sort(faces_hit.begin(), faces_hit.end());
        for (size_t begin = 0, end; begin < faces_hit.size(); begin = end) {
            for (end = begin; end < faces_hit.size() && faces_hit[end] == faces_hit[begin];) ++end;
            int face = faces_hit[begin], best = parent[ray];
            bool smaller = best < 0 || cycles.area[faces.outer[face]] <= cycles.area[faces.outer[best]];
            if ((end - begin) % 2 && smaller) parent[ray] = face;
        }
    }
    return parent;
}

Faces faces_of(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices,
               const Cycles& cycles) {
    Faces faces;
    for (int c = 0; c < cycles.count(); ++c) {
        if (cycles.area[c] > 0) faces.outer.push_back(c);
        if (cycles.area[c] < 0) faces.outsides.push_back(c);
    }
    Links links(vertices);
    for (size_t k = 0; k < tail.size(); ++k) links.link(tail[k], head[k]);
    int count = 0;
    auto label = links.labels(count);
    faces.component.resize(cycles.count());
    for (size_t h = 0; h < cycles.label.size(); ++h) faces.component[cycles.label[h]] = label[tail[h / 2]];
    faces.parent = parents(curves, cycles, faces);
    return faces;
}

Rows cycles_of_faces(const Faces& faces) {
    int count = static_cast<int>(faces.outer.size());
    std::vector<int> of, cycle;
    for (int f = 0; f < count; ++f) of.push_back(f), cycle.push_back(faces.outer[f]);
    for (size_t k = 0; k < faces.parent.size(); ++k)
        if (faces.parent[k] >= 0) of.push_back(faces.parent[k]), cycle.push_back(faces.outsides[k]);
    Rows rows = grouped(of, count);
    for (int& k : rows.entries) k = cycle[k];
    return rows;
}

std::vector<int> depths(const Faces& faces) {
    int components = 0;
    for (int c : faces.component) components = std::max(components, c + 1);
    std::vector<int> parent_of(components, -1), depth;
    for (size_t k = 0; k < faces.outsides.size(); ++k) parent_of[faces.component[faces.outsides[k]]] = faces.parent[k];
    for (int cycle : faces.outer) {
        int own = 0;
        for (int f = parent_of[faces.component[cycle]]; f >= 0; f = parent_of[faces.component[faces.outer[f]]]) ++own;
        depth.push_back(own);
    }
    return depth;
}

}  // namespace

std::vector<Crossed> crossed_edges(const Pieces& curves, const std::vector<P>& points) {
    std::vector<Monotone> parts;
    for (int k = 0; k < static_cast<int>(curves.size()); ++k) add_parts(curves, k, parts);
    std::vector<std::pair<double, int>> rays;
    for (int ray = 0; ray < static_cast<int>(points.size()); ++ray) rays.emplace_back(sortable(points[ray].y), ray);
    std::sort(rays.begin(), rays.end());
    std::vector<Crossed> found;
    for (const Monotone& part : parts) {
        for (auto it = std::lower_bound(rays.begin(), rays.end(), std::make_pair(part.low, 0)); it != rays.end();
             ++it) {
            if (it->first >= part.high) break;
            double x = crossing_at(curves[part.piece], part, it->first);
            if (x > points[it->second].x) found.push_back({it->second, part.piece, x});
        }
    }
    return found;
}

Core core_of(const Pieces& curves, const std::vector<int>& tail, const std::vector<int>& head, int vertices) {
    Core core;
    Flags loose = bridges(tail, head, vertices);
    Pieces own;
    std::vector<int> from, to;
    for (int k = 0; k < static_cast<int>(tail.size()); ++k)
        if (!loose[k])
            core.edges.push_back(k), own.push_back(curves[k]), from.push_back(tail[k]), to.push_back(head[k]);
    core.cycles = cycles_of(own, from, to, vertices);
    core.faces = faces_of(own, from, to, vertices, core.cycles);
    return core;
}

Figures figures_of(const Pieces& curves, const Cycles& cycles, const Faces& faces) {
    Rows around = walks(cycles);
    Figures told{cycles_of_faces(faces), {{0}, {}}, {}, {}, {}, {}, depths(faces)};
    P origin = middle_of(curves);
    for (int f = 0; f < static_cast<int>(faces.outer.size()); ++f) {
        double area = 0, perimeter = 0;
        P moments;
        Box box = curves[*around.begin(faces.outer[f]) / 2].bounds();
        std::vector<int> owners;
        for (const int* c = told.cycles.begin(f); c != told.cycles.end(f); ++c) {
            area += cycles.area[*c], perimeter += cycles.perimeter[*c];
            for (const int* h = around.begin(*c); h != around.end(*c); ++h) {
                const Piece& piece = curves[*h / 2];
                moments = moments + piece.signed_moment(origin) * (*h % 2 ? -1.0 : 1.0);
                owners.push_back(static_cast<int>(piece.owner));
                Box own = piece.bounds();
                box = {std::min(box.low_x, own.low_x), std::min(box.low_y, own.low_y), std::max(box.high_x, own.high_x),
                       std::max(box.high_y, own.high_y)};
            }
        }
        told.area.push_back(area), told.perimeter.push_back(perimeter);
        told.centroid.push_back(moments * (1 / area) + origin), told.box.push_back(box);
        std::sort(owners.begin(), owners.end());
        owners.erase(std::unique(owners.begin(), owners.end()), owners.end());
        told.owners.entries.insert(told.owners.entries.end(), owners.begin(), owners.end());
        told.owners.first.push_back(static_cast<int>(told.owners.entries.size()));
    }
    return told;
}

}  // namespace heart
